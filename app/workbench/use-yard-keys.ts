import { useEffect } from "react";
import { opened } from "#core/formats/opened.ts";
import type { Part } from "#core/yard/parts.ts";
import { keyOfPage } from "../ui/keys.tsx";
import type { Draft } from "./draft.ts";
import { nudged } from "./edit.ts";
import type { PlanView } from "./plan-place.tsx";
import type { Yard } from "./use-yard.ts";

/** How far `[` and `]` move the selected peg, in metres. */
const EASIER = 0.1;

/** Handles the keys of the workbench: undo, redo, easier, harder, the zoom, and arrows that move the selection. */
export function useYardKeys({
  draft,
  yard,
  view,
  parts,
}: {
  draft: Draft;
  yard: Yard;
  view: Pick<PlanView, "zoomBy" | "refit">;
  parts: readonly Part[];
}): void {
  const { zoomBy, refit } = view;
  const { undo, redo } = draft;
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const element = event.target as HTMLElement;
      if (element.matches("input, textarea, select") && !element.matches("[type=radio], [type=checkbox]")) return;
      if (event.metaKey) return;
      const { chosen: chosenId, group } = yard;
      const peg = opened(draft.ledger.live()).pegs.find((eachPeg) => eachPeg.id === chosenId);
      const first = parts.find((part) => part.id === group[0]);
      // Moves the whole selection, unless the focus is on a selected target, which handles the key itself.
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
      else if (event.key === "+" || event.key === "=") zoomBy(1);
      else if (event.key === "-") zoomBy(-1);
      else if (event.key === "0") refit();
      else if (peg && (event.key === "[" || event.key === "]"))
        yard.move(peg.id, peg.distance + (event.key === "[" ? -EASIER : EASIER), "keys easier");
      else return;
      event.preventDefault();
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [undo, redo, yard, draft, parts, zoomBy, refit]);
}
