import { useEffect } from "react";
import { opened } from "#core/formats/opened.ts";
import type { Part } from "#core/yard/parts.ts";
import { keyOfPage } from "../ui/keys.tsx";
import type { Draft } from "./draft.ts";
import { nudged } from "./edit.ts";
import type { Yard } from "./use-yard.ts";

/** What `[` and `]` move the chosen peg by, metres. */
const EASIER = 0.1;

/** The keys of the workbench: undo and redo, easier and harder, and arrows for all that is chosen. */
export function useYardKeys({ draft, yard, parts }: { draft: Draft; yard: Yard; parts: readonly Part[] }): void {
  const { undo, redo } = draft;
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const element = event.target as HTMLElement;
      if (element.matches("input, textarea, select") && !element.matches("[type=radio], [type=checkbox]")) return;
      if (event.metaKey) return;
      const { chosen: chosenId, group } = yard;
      const peg = opened(draft.ledger.live()).pegs.find((eachPeg) => eachPeg.id === chosenId);
      const first = parts.find((part) => part.id === group[0]);
      // All that is chosen moves, wherever the focus is but on one of them: that one moves them itself.
      if (
        group.length > 1 &&
        first?.kind === "target" &&
        !element.closest("[data-mark], [data-peg], [data-frame], [role=radiogroup]")
      ) {
        const to = element.matches("[type=radio], [type=checkbox]") ? null : nudged(event, first);
        if (to) yard.place(first.id, to.along, to.across, "keys all");
        if (to) return;
      }
      if (event.ctrlKey && event.key === "z" && !event.shiftKey) undo();
      else if (event.ctrlKey && (event.key === "y" || event.key === "Z")) redo();
      else if (!keyOfPage(event)) return;
      else if (event.key === "u") undo();
      else if (event.key === "U") redo();
      else if (peg && (event.key === "[" || event.key === "]"))
        yard.move(peg.id, peg.distance + (event.key === "[" ? -EASIER : EASIER), "keys easier");
      else return;
      event.preventDefault();
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [undo, redo, yard, draft, parts]);
}
