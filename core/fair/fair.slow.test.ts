import { describe, expect, it } from "vitest";
import { MAX_HEAD } from "../contract/contract.ts";
import { ownWay } from "../contract/people.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { type Activity, fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { mostHead } from "../match/heads.ts";
import { patternNames } from "../patterns/registry.ts";
import { fairMatch } from "./fair.ts";

const of = (name: Parameters<typeof fromPattern>[0], change: object = {}) => {
  const activity = fromPattern(name);
  return {
    ...activity,
    pattern: { ...activity.pattern, params: { ...(activity.pattern.params as object), ...change } },
  } as typeof activity;
};

describe("a fair match", () => {
  it("leaves two that are alike as they are", () => {
    const fair = fairMatch(of("pins", { frames: 2 }), [{ age: 8 }, { age: 8 }]);
    expect(fair.fair).toBe(true);
    expect(fair.people.every((person) => !person.head && !person.nearer && !person.otherHand)).toBe(true);
  });
  it("makes a child and a grown-up even to 3 points by the first in the order that does, and the forecast says the same", () => {
    const activity = of("pins", { frames: 2 });
    const who = [{ age: 7 }, { age: "adult" as const }];
    const fair = fairMatch(activity, who);
    expect(fair.before[1]).toBeGreaterThan(0.6);
    expect(fair.fair).toBe(true);
    for (const share of fair.after) expect(Math.abs(share - 0.5)).toBeLessThanOrEqual(0.03);
    // One change is enough: points for the child, or a line farther back for the grown-up, and both hands as they are.
    expect((fair.people[0]!.head ?? 0) > 0 || (fair.people[1]!.nearer ?? 0) < 0).toBe(true);
    expect(fair.people[1]!.otherHand).toBeUndefined();
    const again = forecastActivity(
      activity,
      who,
      { players: 2, mode: "against", seed: 1, people: fair.people },
      "middle",
    );
    expect(again.sides.find((side) => side.players.includes(0))!.win!).toBeCloseTo(fair.after[0]!, 1);
  });
  it("goes by the activity's own order where none is given, and changes nothing where nothing may be changed", () => {
    const activity = of("pins", { frames: 2 });
    const who = [{ age: 7 }, { age: "adult" as const }];
    const hand = fairMatch({ ...activity, players: { ...activity.players, fair: ["hand"] } }, who);
    expect(hand.people[0]!.head ?? 0).toBe(0);
    const none = fairMatch({ ...activity, players: { ...activity.players, fair: [] } }, who);
    expect(none.after).toEqual(none.before);
  });
  it("goes by the order that is given", () => {
    const fair = fairMatch(of("pins", { frames: 2 }), [{ age: 7 }, { age: "adult" }], ["line", "hand"]);
    expect(fair.people[0]!.head ?? 0).toBe(0);
    expect((fair.people[1]!.nearer ?? 0) < 0 || fair.people[1]!.otherHand === true).toBe(true);
    expect(Math.abs(fair.after[0]! - 0.5)).toBeLessThan(Math.abs(fair.before[0]! - 0.5));
  });
  it("stopped, it gives the best that it has", () => {
    let asked = 0;
    const fair = fairMatch(
      of("pins", { frames: 2, pinOnPin: false }),
      [{ age: 6 }, { age: "adult" }],
      undefined,
      () => ++asked > 400,
    );
    expect(fair.after).toHaveLength(2);
  });
});

describe("a target of one's own", () => {
  it("half as wide again is hit more often, and nothing else changes", () => {
    const activity = fromPattern("board");
    const at = (people?: { role: "plays"; wider?: number }[]) =>
      forecastActivity(
        activity,
        [{ age: 7 }],
        { players: 1, mode: "alone", seed: 1, ...(people && { people }) },
        "middle",
        {
          method: "sampled",
          samples: 2000,
        },
      ).sides[0]!.points;
    const mean = (d: { at: number[]; p: number[] }) => d.at.reduce((sum, v, i) => sum + v * d.p[i]!, 0);
    expect(mean(at([{ role: "plays", wider: 1.5 }]))).toBeGreaterThan(mean(at()) * 1.02);
    expect(at([{ role: "plays" }])).toEqual(at());
  });
  it("makes it fair where it is what is asked for", () => {
    const fair = fairMatch(of("climb"), [{ age: 7 }, { age: 9 }], ["target"]);
    expect(Math.abs(fair.after[0]! - 0.5)).toBeLessThanOrEqual(Math.abs(fair.before[0]! - 0.5));
  });
  it.each(["rally", "goals"] as const)("%s: a narrower court or goal to guard helps whoever guards it", (name) => {
    const activity = of(name);
    const who = [{ age: 7 }, { age: 10 }];
    const only = fairMatch({ ...activity, players: { ...activity.players, fair: ["court"] } }, who);
    expect(only.people[0]!.court).toBeLessThan(1);
    expect(only.people[0]!.court).toBeGreaterThanOrEqual(0.5);
    expect(only.people[1]!.court).toBeUndefined();
    expect(only.after[0]!).toBeGreaterThan(only.before[0]! + 0.01);
    // It is a change like any other: a go with it compares only with its like.
    expect(ownWay({ players: 2, mode: "against", seed: 1, people: only.people })).toEqual({
      court: only.people[0]!.court,
    });
  });
  it("a head start: so many as still count in each game that has them, and none elsewhere", () => {
    const most = (name: Parameters<typeof fromPattern>[0], change: object = {}) =>
      mostHead(opened(of(name, change)).game);
    for (const name of patternNames) expect(most(name), name).toBeLessThanOrEqual(MAX_HEAD);
    expect(most("rally", { points: 7 })).toBe(6);
    expect(most("pins")).toBe(MAX_HEAD);
    expect(most("bases")).toBe(MAX_HEAD);
    expect(most("swapSquare")).toBe(0);
    const activity = of("rally", { points: 7 });
    const fair = fairMatch({ ...activity, players: { ...activity.players, fair: ["head"] } }, [{ age: 7 }, { age: 9 }]);
    expect(fair.people[0]!.head).toBeGreaterThan(0);
    expect(fair.people[0]!.head).toBeLessThanOrEqual(6);
    expect(fair.after[0]!).toBeGreaterThan(fair.before[0]!);
  });

  it("says how many games end level: what both always reach is even, and decides nothing", () => {
    const activity = fromPattern("climb");
    const easy = {
      ...activity,
      pattern: { name: "climb", params: { ...(activity.pattern.params as object), tries: 60 } },
    } as Activity;
    const told = fairMatch(easy, [{ age: 8 }, { age: 12 }]);
    expect(told.fair).toBe(true);
    expect(told.ties).toBeGreaterThan(0.9);
    expect(fairMatch(fromPattern("rally"), [{ age: 8 }, { age: 8 }]).ties).toBe(0);
    // Counted one by one: of two that each have one throw of the same chance.
    const one = fromPattern("board");
    const params = { ...(one.pattern.params as object), sends: 1, bonus: 0 };
    const forecast = forecastActivity(
      { ...one, pattern: { name: "board", params } } as Activity,
      [{ age: 8 }, { age: 8 }],
      { players: 2, mode: "against", seed: 1 },
      "middle",
    );
    const level = forecast.sides[0]!.points.p.reduce((sum, p) => sum + p * p, 0);
    expect(forecast.tie).toBeCloseTo(level, 9);
  });
});
