import { describe, expect, it } from "vitest";
import type { Aim } from "../asks/ask.ts";
import { forecastActivity, layoutOf, personOf } from "../forecast/for-activity.ts";
import { type Activity, fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { patternNames } from "../patterns/registry.ts";
import { kindOf } from "./loaded-kinds.ts";
import { waysFrom } from "./outcomes.ts";

const alone = { players: 1, mode: "alone", seed: 1 } as const;

describe("chances by hand are used or refused, and nothing of them is lost", () => {
  it.each(patternNames)("%s: whatever may be named changes its outcome, and all of them sum to one", (name) => {
    const activity = fromPattern(name);
    const play = {
      parts: layoutOf(activity),
      people: [personOf(activity, { age: 8 }), personOf(activity, { age: 8 })],
      policy: "middle" as const,
    };
    for (const { ask } of opened(activity).probes) {
      const refs = kindOf<Aim>(ask.aim).refs(ask.aim, ask.from);
      const own = [...(refs.meant === null ? refs.named : [refs.meant]), ...(refs.also ?? [])].filter(
        (id) => id !== ask.from && id !== refs.rest,
      );
      const given = [...(refs.sets ?? []), ...own];
      for (const id of given) {
        const chances = Object.fromEntries(given.map((group) => [group, group === id ? 0.4 : 0.5 / given.length]));
        const ways = waysFrom(ask, { ...play, chances })!;
        expect(
          ways.reduce((sum, way) => sum + way.share, 0),
          `${ask.aim.kind} ${id}`,
        ).toBeCloseTo(1, 9);
        const more = waysFrom(ask, { ...play, chances: { ...chances, [id]: 0.45 } })!;
        const moved = (list: typeof ways) => JSON.stringify(list.map((way) => [way.body, way.share.toFixed(6)]));
        expect(moved(more), `${ask.aim.kind} ${id}`).not.toBe(moved(ways));
      }
    }
  });

  const told = (activity: Activity, chances: Record<string, number>) =>
    forecastActivity(activity, [{ age: 8 }], alone, "middle", { chances });
  it("a set of pins that is named falls together, also where some of it lies already; a mass of .8 is all of it", () => {
    const activity = fromPattern("pins");
    const params = { ...(activity.pattern.params as object), frames: 1, rolls: 1, points: 1, bonus: 0 };
    const one = { ...activity, pattern: { name: "pins", params } } as unknown as Activity;
    const { points } = told(one, { "p1 p3": 0.5, p2: 0.3 }).sides[0]!;
    expect(points.at.map((n, i) => [n, points.p[i]])).toEqual([
      [0, expect.closeTo(0.2, 9)],
      [1, expect.closeTo(0.3, 9)],
      [2, expect.closeTo(0.5, 9)],
    ]);
    expect(() => told(one, { "p1 p99": 0.5 })).toThrow("not part of this activity");
    expect(() => told(one, { "p3 p1": 0.5 })).toThrow("not part of this activity");
    expect(() => told(one, { p1: 0.6, p2: 0.5 })).toThrow("must be at most 1");
  });
  it("what falls short of a marker may be said, and with all said together they are all", () => {
    const activity = fromPattern("passLadder");
    const marks = { m1: 0.5, m2: 0.5, m3: 0.5, m4: 0.5 };
    const of = (chances: Record<string, number>) =>
      told(
        activity,
        Object.fromEntries(
          Object.entries(chances).filter(([id]) => id.startsWith("m") === false || id in marksOf(activity)),
        ),
      );
    const marksOf = (givenActivity: Activity) =>
      Object.fromEntries(
        (givenActivity.pattern.params as unknown as { marks: number[] }).marks.map((_, i) => [`m${i + 1}`, 1]),
      );
    expect(of({ ...marks, short: 0.4 }).sides[0]!.points).not.toEqual(of({ ...marks, short: 0.1 }).sides[0]!.points);
    expect(() => of({ ...marks, short: 0.6 })).toThrow("must be at most 1");
    expect(() => of({ ...marks, short: 0.2, over: 0.1 })).toThrow("must be 1");
  });
  it("a course has no chance to give", () => {
    const activity = fromPattern("tally");
    const params = activity.pattern.params as unknown as { rounds: object[] };
    const rounds = [{ ...params.rounds[0], task: "course" }];
    const laps = { ...activity, pattern: { name: "tally", params: { ...params, rounds } } } as unknown as Activity;
    expect(() => told(laps, { lap: 0.8 })).toThrow("not part of this activity");
  });
});
