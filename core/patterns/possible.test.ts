import { describe, expect, it } from "vitest";
import { random } from "../forecast/random.ts";
import { fromPattern } from "../formats/activity.ts";
import { type BaseState, isRefusal, type Possible } from "./contract.ts";
import { type AnyPattern, type PatternName, patternNames, patternOf } from "./registry.ts";

/** What each pattern is tried with besides its example; all of it valid. */
const CHANGES: Record<PatternName, readonly object[]> = {
  climb: [
    { scoring: { by: "points", first: 5, growth: 3 }, tries: 3 },
    { scoring: { by: "points", first: 2, growth: 0 }, goes: { count: 3, keep: "total" }, tries: 6 },
    { scoring: { by: "tries" }, tries: 7 },
    { scoring: { by: "tries" }, tries: 9, goes: { count: 2, keep: "total" } },
    { scoring: { by: "time" }, timeLimit: 40 },
  ],
  bands: [
    { finish: { rounds: 3, total: null, exact: false, dropTo: null } },
    { finish: { rounds: null, total: 24, exact: true, dropTo: 16 } },
    { finish: { rounds: null, total: 15, exact: false, dropTo: null }, pieces: 2 },
    { finish: { rounds: 4, total: 20, exact: false, dropTo: null } },
  ],
};
const GAMES = 400;
const LONGEST = 600;

/** One go alone by any events that may come; `best`: whatever is worth most each time. Null where it would not end. */
function goOf(pattern: AnyPattern, params: unknown, draw: () => number, best: boolean) {
  let state: BaseState = pattern.start(params, { players: 1, mode: "alone", seed: 1 });
  let at = 0;
  for (let n = 0; n < LONGEST && !pattern.ending(state); n++) {
    at += Math.round(1000 + 4000 * draw());
    const due = pattern.due(state);
    const next = pattern.next(state)!;
    const body =
      due !== null && at >= due
        ? ({ kind: "bell" } as const)
        : "branches" in next
          ? best
            ? next.branches.reduce((a, b) => (b.worth > a.worth ? b : a)).event
            : next.branches[Math.floor(draw() * next.branches.length)]!.event
          : next.event;
    const after = pattern.step(state, { ...body, at: due !== null && at >= due ? due : at } as never);
    if (isRefusal(after)) throw new Error(JSON.stringify([body, after]));
    state = after;
  }
  if (!pattern.ending(state)) return null;
  const [tally] = pattern.tally(state);
  return { value: tally!.own, finished: tally!.finished, stage: tally!.stage, unit: pattern.score(state)[0]!.unit };
}

describe.each(patternNames)("what %s can score", (name) => {
  const pattern = patternOf(name);
  it("is what any go really scores, and no more than the best one does", () => {
    for (const change of [{}, ...CHANGES[name]]) {
      const params = pattern.params.parse({ ...(fromPattern(name).pattern.params as object), ...change });
      const can: Possible = pattern.possible(params);
      const draw = random(7);
      let most = 0;
      for (let i = 0; i < GAMES; i++) {
        const go = goOf(pattern, params, draw, i % 8 === 0);
        if (!go) continue;
        const told = JSON.stringify([change, go, can]);
        expect(go.unit, told).toBe(can.unit);
        expect(go.value, told).toBeGreaterThanOrEqual(can.least);
        expect(go.value, told).toBeLessThanOrEqual(can.most ?? Number.POSITIVE_INFINITY);
        if (can.values) expect(can.values, told).toContain(go.value);
        if (can.stages > 0) expect(go.stage, told).toBeLessThanOrEqual(can.stages);
        if (go.finished && can.unit !== "points") {
          expect(go.value, told).toBeGreaterThanOrEqual(can.finished.least);
          expect(go.value, told).toBeLessThanOrEqual(can.finished.most ?? Number.POSITIVE_INFINITY);
        }
        most = Math.max(most, go.value);
      }
      // Points: a child that hits everything gets all that may be written down, unless the total ends it first.
      if (can.unit === "points" && can.values) expect(most).toBe(can.most);
    }
  });
});
