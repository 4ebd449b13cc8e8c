import { expect, it } from "vitest";
import type { Aim } from "../asks/ask.ts";
import { fromPattern } from "../formats/activity.ts";
import { itemsPlayed } from "../formats/items-played.ts";
import { opened } from "../formats/opened.ts";
import { itemIn } from "../kit/known-items.ts";
import { patternNames } from "../patterns/registry.ts";
import { loadKind } from "./load-kind.ts";
import { KindNotLoaded, kindOf } from "./loaded-kinds.ts";

it.each(patternNames)("%s finds its kinds of aim and its items by themselves", async (name) => {
  const activity = fromPattern(name);
  const aims = opened(activity).probes.flatMap(({ ask }) => ("aim" in ask ? [ask.aim as Aim] : []));
  for (const aim of aims) {
    const withAll = kindOf(aim);
    await loadKind(aim.kind);
    expect(kindOf(aim)).toBe(withAll);
  }
  expect(itemsPlayed(activity)).toContain(activity.kit.send);
  for (const id of itemsPlayed(activity)) expect(itemIn(activity.kit, id)?.id).toBe(id);
});

it("names the kind of aim that is not loaded", () => {
  expect(() => kindOf({ kind: "nothing" } as never)).toThrow(KindNotLoaded);
});
