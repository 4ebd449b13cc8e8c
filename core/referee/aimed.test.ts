import { describe, expect, it } from "vitest";
import { type Activity, fromPattern } from "../formats/activity.ts";
import { aimedBy } from "./aimed.ts";
import { replay } from "./referee.ts";

const gameOf = (activity: Activity) => ({ ...activity.pattern, match: activity.match });
const alone = { players: 1, mode: "alone", seed: 1 } as const;
const at = (events: readonly object[]) => events.map((event, i) => ({ ...event, at: i * 1000 })) as never;

describe("what became of each send", () => {
  it("counts hits at the target called for, after undo and correction", () => {
    const events = at([
      { kind: "send", hit: null },
      { kind: "send", hit: "t1" },
      { kind: "send", hit: "t1" },
      { kind: "undo" },
      { kind: "send", hit: "t2" },
      { kind: "correct", seq: 0, event: { kind: "send", hit: "t3", at: 0 }, reason: "seen again" },
    ]);
    expect(aimedBy(replay(gameOf(fromPattern("climb")), alone, events).play, 0)).toEqual({ t1: [2, 1], t2: [1, 1] });
  });
  it("goes by the line where the line moves, and by the place where things rest", () => {
    const climb = fromPattern("climb");
    const { ladder } = climb.pattern.params as { ladder: { targets: { distance: number }[] } };
    const { distance: _, ...target } = ladder.targets[0]!;
    const line = {
      ...climb,
      pattern: {
        ...climb.pattern,
        params: { ...(climb.pattern.params as object), ladder: { kind: "line", target, lines: [1, 2] } },
      },
    };
    const sent = at([
      { kind: "send", hit: "t1" },
      { kind: "send", hit: null },
    ]);
    expect(aimedBy(replay(gameOf(line as never), alone, sent).play, 0)).toEqual({ l1: [1, 1], l2: [1, 0] });
    const rests = at(["z2", "short", "z2"].map((rest) => ({ kind: "send", rest })));
    expect(aimedBy(replay(gameOf(fromPattern("bands")), alone, rests).play, 0)).toEqual({ z2: [3, 2], short: [3, 1] });
  });
  it("is each player's own", () => {
    const two = { players: 2, mode: "against", seed: 1 } as const;
    const events = at([
      { kind: "send", hit: "t1" },
      { kind: "send", hit: null },
      { kind: "send", hit: null },
    ]);
    const { play } = replay(gameOf(fromPattern("climb")), two, events);
    expect(aimedBy(play, 0)).toEqual({ t1: [1, 1], t2: [1, 0] });
    expect(aimedBy(play, 1)).toEqual({ t1: [1, 0] });
  });
});
