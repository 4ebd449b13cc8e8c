import { expect, it } from "vitest";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { computeTasks, type GoTold } from "./work.ts";

it("a go that cannot be read says so, and holds up none of those read with it", () => {
  const activity = fromPattern("climb");
  const good: GoTold = {
    activity,
    setup: { players: 1, mode: "alone", seed: 1 },
    events: [0, 1, 2].map((n) => ({ kind: "send", hit: n === 0 ? "t1" : null, at: 5000 * n })),
    version: opened(activity).pattern.rulesVersion,
    age: 8,
    score: null,
  } as never;
  const broken = { ...good, activity: { ...activity, pattern: { ...activity.pattern, params: null } } } as never;
  const [first, second, third] = computeTasks.evidence([good, broken, good]);
  expect(first!.evidence[0]!.tries).toBe(3);
  expect(third).toEqual(first);
  expect(second!.evidence).toEqual([]);
  expect(second!.broke!.frames.length).toBeGreaterThan(0);
  expect(first!.broke).toBeNull();
});
