import { describe, expect, it } from "vitest";
import type { PlayEvent } from "../events/events.ts";
import { fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { replay } from "../referee/referee.ts";
import { levelPromptOf } from "./level-prompt.ts";
import { AS_DRAWN, onLevel } from "./levels.ts";

const line = (count: number) => ({ ...AS_DRAWN, line: count });
const levels = { low: 0.6, high: 0.8, list: [line(-0.5), line(0), line(0.5)], up: 3, down: 2 };
const climb = { ...fromPattern("climb"), levels };
const on = onLevel(climb, 1);
const told = (...events: object[]) => {
  const all = events.map((event, i) => ({ at: 1000 * (i + 1), ...event }) as PlayEvent);
  const { play, refused } = replay(gameSettingsOf(on), { players: 1, mode: "alone", seed: 1 }, all);
  expect(refused).toBeNull();
  return levelPromptOf(play, levels);
};
const hit = (count: number) => ({ kind: "send", hit: `t${count}` });
const miss = { kind: "send", hit: null };

describe("up and down while playing", () => {
  it("asks for harder after so many hits in a row, for easier after so many misses, and for nothing before", () => {
    expect(told(hit(1), hit(2))).toBeNull();
    expect(told(hit(1), hit(2), hit(3))).toEqual({ to: "harder", row: 3 });
    expect(told(hit(1), miss)).toBeNull();
    expect(told(hit(1), miss, miss)).toEqual({ to: "easier", row: 2 });
    expect(told(miss, hit(1))).toBeNull();
  });
  it("begins anew once the line was moved, and what is taken back does not count", () => {
    const nearer = { kind: "set", field: "standing.line", value: 0.5, by: 0 };
    expect(told(miss, miss, nearer)).toBeNull();
    expect(told(miss, miss, nearer, miss)).toBeNull();
    expect(told(miss, miss, { kind: "undo" })).toBeNull();
  });
  it("says that the line is found once it has turned round as often as it shall, and asks no more", () => {
    const to = (value: number) => ({ kind: "set", field: "standing.line", value, by: 0 });
    const turned = [to(0.5), to(0), to(0.5), to(-0.5), to(0)];
    expect(told(...turned, miss, miss)).toEqual({ to: "found", row: 0 });
    expect(told(...turned.slice(0, 4), miss, miss)).toEqual({ to: "easier", row: 2 });
    // Taken back it is not found any more; the same way twice is no turn.
    expect(told(...turned, { kind: "undo" }, miss)).toBeNull();
    expect(told(to(-0.5), to(0), to(0.5), miss, miss)).toEqual({ to: "easier", row: 2 });
  });
  it("stands at the lines of the levels beside its own, and at no other", () => {
    expect(on.family).toEqual([{ field: "standing.line", values: [-0.5, 0, 0.5] }]);
    expect(onLevel(climb, 0).family).toEqual([{ field: "standing.line", values: [-1, -0.5, 0] }]);
    const said = { ...climb, family: [{ field: "standing.line", values: [0, 0.25] }] };
    expect(onLevel(said, 1).family).toEqual(said.family);
    const other = { ...climb, levels: { ...levels, list: [line(0), { ...line(0), hand: "other" as const }] } };
    expect(onLevel(other, 0).family).toEqual([]);
  });
});
