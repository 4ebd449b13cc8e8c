import { describe, expect, it } from "vitest";
import type { Person } from "../../aim/person.ts";
import { askOf } from "../../asks/ask.ts";
import { type AnyPattern, isRefusal } from "../../contract/contract.ts";
import { openGame } from "../../contract/game.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Distribution, mean } from "../../forecast/distribution.ts";
import { forecastActivity, rates } from "../../forecast/for-activity.ts";
import { forecast } from "../../forecast/forecast.ts";
import { type Activity, activity, fromPattern } from "../../formats/activity.ts";
import { tally as pattern } from "./index.ts";
import type { Round, TallyParams } from "./schema.ts";

const base = pattern.example.params;
const { rules } = pattern;
const alone = { players: 1, mode: "alone", seed: 1 } as const;
const round = (change: Partial<Round> = {}): Round => ({ ...base.rounds[0]!, ...change });
const params = (change: Partial<TallyParams> = {}): TallyParams => pattern.params.parse({ ...base, ...change });

function play(givenParams: TallyParams, events: readonly GameEvent[], players = 1, swap: "go" | "once" = "go") {
  let state = rules.start(
    givenParams,
    { ...pattern.match.initial, swap },
    { players, mode: players > 1 ? "against" : "alone", seed: 1 },
  );
  const refused: string[] = [];
  for (const event of events) {
    const after = rules.step(state, event);
    if (isRefusal(after)) refused.push(after.refused.key);
    else state = after;
  }
  return { s: state, refused };
}
const count = (at: number, givenCount = 1, by?: number): GameEvent => ({
  kind: "count",
  at,
  n: givenCount,
  ...(by !== undefined && { by }),
});

describe("Tally", () => {
  const one = params({ rounds: [round({ seconds: 10 })] });
  it("counts until the bell, and tells the same by taps or by a number after it", () => {
    const taps = [count(1000), count(2000, 3), { kind: "count", at: 3000, n: 0, drop: true } as const, count(9000)];
    const ready: GameEvent = { kind: "ready", at: 0 };
    const bell: GameEvent = { kind: "bell", at: 10_000 };
    const total: GameEvent = { kind: "total", at: 12_000, n: 5 };
    const tapped = play(one, [ready, ...taps, bell, total]);
    const numbered = play(one, [ready, bell, total]);
    expect([tapped.refused, numbered.refused]).toEqual([[], []]);
    expect(numbered.s).toEqual(tapped.s);
    expect(rules.score(tapped.s)[0]).toMatchObject({ value: 5, unit: "touches", better: "more" });
    // The number is what counts, whatever was tapped.
    expect(rules.score(play(one, [ready, ...taps, bell, { ...total, n: 7 }]).s)[0]!.value).toBe(7);
  });
  it("takes nothing after the bell, but one that was in the air where that counts", () => {
    const events: GameEvent[] = [
      { kind: "ready", at: 0 },
      count(5000),
      { kind: "bell", at: 10_000 },
      count(10_300),
      count(10_400),
    ];
    expect(play(one, events).refused).toEqual(["refused.afterBell", "refused.afterBell"]);
    const flying = play({ ...one, inAir: true }, events);
    expect(flying.refused).toEqual(["refused.afterBell"]);
    expect(askOf(rules.asks(flying.s), "total")!.soFar).toBe(2);
    expect(
      play(one, [
        { kind: "ready", at: 0 },
        { kind: "total", at: 1, n: 3 },
      ]).refused,
    ).toEqual(["refused.bellFirst"]);
    expect(play(one, [{ kind: "ready", at: 0 }, count(1, 41)]).refused).toEqual(["refused.tooQuick"]);
  });
  it("opens the next round by the clock, kept by round, summed or the best of them", () => {
    const p = params({ rounds: [round({ seconds: 10, rest: 15 }), round({ seconds: 20, hand: "other" })] });
    const events: GameEvent[] = [
      { kind: "ready", at: 0 },
      { kind: "bell", at: 10_000 },
      { kind: "total", at: 11_000, n: 12 },
      { kind: "ready", at: 30_000 },
    ];
    const { s: state } = play(p, events);
    expect(askOf(rules.asks(state), "bell")!.dueAt).toBe(50_000);
    expect(rules.asks(state)[0]).toMatchObject({ kind: "count", manner: { action: "keepUp", hand: "other" } });
    const done: GameEvent[] = [...events, { kind: "bell", at: 50_000 }, { kind: "total", at: 52_000, n: 9 }];
    expect(rules.score(play(p, done).s)[0]).toMatchObject({ value: 21, working: "12 + 9 = 21" });
    expect(rules.score(play({ ...p, keep: "best" }, done).s)[0]).toMatchObject({ value: 12, working: "12, 9" });
    const rest = play(p, events.slice(0, 3)).s;
    expect(askOf(rules.asks(rest), "ready")!.takes.seconds).toBe(15);
  });
  it("may be played at the same time: one clock, a counter each, and each says its own number", () => {
    const at: GameEvent[] = [
      { kind: "ready", at: 0 },
      count(1000, 2, 0),
      count(1500, 3, 1),
      { kind: "bell", at: 10_000 },
      { kind: "total", at: 11_000, n: 3, by: 1 },
      { kind: "total", at: 12_000, n: 2, by: 0 },
    ];
    const { s: state, refused } = play(one, at, 2, "once");
    expect(refused).toEqual([]);
    expect(rules.score(state).map((score) => score.value)).toEqual([2, 3]);
    expect(rules.ending(state)!.winners).toEqual([1]);
  });
  it("wants the mark between line and wall", () => {
    const doc = fromPattern("tally");
    const p = { ...base, rounds: [round({ task: "rebound" })], wall: { ...base.wall, distance: 1, landing: 0.9 } };
    const told = activity.safeParse({ ...doc, pattern: { name: "tally", params: p } }).error!.issues;
    expect(told.map((issue) => [issue.path.join("."), issue.message])).toContainEqual([
      "pattern.params.wall.landing",
      "the landing spot is 0.9 m from the wall, but the line is only 1 m away",
    ]);
  });
});

/** Somebody with a chance and times of a touch given by hand. */
const keeper = (chance: number, touch: number, restart: number): Person => ({
  sends: () => {
    throw new Error("nothing is sent");
  },
  gate: () => {
    throw new Error("no gate is passed");
  },
  does: () => {
    throw new Error("no task is done");
  },
  keeps: () => ({ p: chance, touch, lies: 0, restart }),
  typical: () => ({ lateral: 0, range: 0, vertical: 0 }),
  walking: 1,
  tempo: 1,
});
function counts(givenParams: TallyParams, person: Person): Distribution {
  const game = openGame(pattern as unknown as AnyPattern, { params: givenParams, match: pattern.match.initial });
  const f = forecast({ game, setup: alone, parts: [], people: [person], policy: "middle" });
  expect(f.method).toBe("exact");
  return f.sides[0]!.points;
}
const oneRound = (seconds: number, inAir = false) => params({ rounds: [round({ seconds })], inAir });

describe("its forecast, by exact renewal", () => {
  it("with equal times and nothing in the air is binomial", () => {
    const n = 20;
    const distribution = counts(oneRound(12), keeper(0.7, 0.6, 0));
    let ways = 1;
    for (let k = 0; k <= n; k++) {
      const i = distribution.at.indexOf(k);
      const chance = ways * 0.7 ** k * 0.3 ** (n - k);
      if (chance > 1e-15) expect(distribution.p[i]).toBeCloseTo(chance, 12);
      ways = (ways * (n - k)) / (k + 1);
    }
  });
  it(".9 a touch of 0.6 s, a failure 0.6 + 4 s, 60 s: 54.650105 touches against 90 without the fetch", () => {
    expect(mean(counts(oneRound(60), keeper(0.9, 0.6, 4)))).toBeCloseTo(54.650105, 6);
    expect(mean(counts(oneRound(60), keeper(0.9, 0.6, 0)))).toBeCloseTo(90, 9);
  });
  it("what is done on the bell's own instant counts, and what is in the air where that is the rule", () => {
    // Ten seconds of touches of 0.7 s: fourteen end by 9.8 s, the fifteenth is in the air.
    expect(mean(counts(oneRound(10), keeper(1, 0.7, 0)))).toBe(14);
    expect(mean(counts(oneRound(10, true), keeper(1, 0.7, 0)))).toBe(15);
    expect(mean(counts(oneRound(14), keeper(1, 0.7, 0)))).toBe(20);
  });
  it("holds for the longest that the schema allows, and for both tasks; older children count more", () => {
    const rounds = Array.from({ length: 6 }, () => round({ seconds: 300 }));
    const design = fromPattern("tally");
    const long = { ...design, pattern: { name: "tally", params: params({ rounds }) } } as Activity;
    const f = forecastActivity(long, [{ age: 8 }], alone, "middle");
    expect(f.sides[0]!.points.p.reduce((sum, x) => sum + x, 0)).toBeCloseTo(1 - f.cut, 6);
    const wall = activity.parse({
      ...design,
      aim: { ...design.aim, action: "underarmThrow" },
      kit: { ...design.kit, send: "smallBall" },
      space: { ...design.space, length: 3 },
      pattern: { name: "tally", params: params({ rounds: [round({ task: "rebound" })] }) },
    });
    let before = 0;
    for (const age of [6, 8, 10]) {
      const [rate] = [...rates(wall, { age }).values()];
      expect(rate).toBeGreaterThan(before);
      before = rate!;
    }
    const told = forecastActivity(wall, [{ age: 8 }], alone, "middle");
    expect(told.method).toBe("exact");
    expect(mean(told.sides[0]!.points)).toBeGreaterThan(1);
  });
});

describe("passes there and back, and a course", () => {
  const doc = (over: object) => {
    const design = fromPattern("tally");
    // A balloon is not thrown anywhere.
    return {
      ...design,
      kit: { ...design.kit, send: "sockBall" },
      pattern: { name: "tally", params: { ...pattern.example.params, ...over } },
    } as Activity;
  };
  const round = { seconds: 60, rest: 0, hand: "usual", moving: false, bounce: false };
  const alone = { players: 1, mode: "alone", seed: 1 } as const;
  it("a wider thing at the other end is hit more often, a farther one takes longer", () => {
    const at = (over: object) => {
      const shuttle = { ...pattern.example.params.shuttle!, ...over };
      const design = doc({ rounds: [{ ...round, task: "shuttle" }], shuttle });
      return mean(forecastActivity(design, [{ age: 8 }], alone, "middle").sides[0]!.points);
    };
    expect(at({ width: 0.5 })).toBeGreaterThan(at({ width: 0.2 }));
    expect(at({ distance: 5, width: 1 })).toBeLessThan(at({ distance: 1.5, width: 0.3 }));
  });
  it("laps are as many as the time has room for; a lap begun anew costs more than a gate done again", () => {
    const gates = [
      { kind: "weave", metres: 3 },
      { kind: "shot", metres: 2 },
    ];
    const laps = (miss: string, age: number) => {
      const design = doc({ rounds: [{ ...round, task: "course" }], course: { action: "dribbleFoot", gates, miss } });
      const f = forecastActivity(design, [{ age }], alone, "middle");
      return mean(f.sides[0]!.points);
    };
    // Out with the ball and back again: without a miss a lap of 5 m takes some 9 s.
    const fastest = 60 / (5 / (1.2 * 1.05) + 5 / 1.05);
    expect(laps("gate", 8)).toBeLessThan(fastest);
    expect(laps("gate", 8)).toBeGreaterThan(fastest / 4);
    expect(laps("lap", 8)).toBeLessThan(laps("gate", 8));
    expect(laps("gate", 12)).toBeGreaterThan(laps("gate", 6));
    const params = pattern.params.parse(doc({ rounds: [{ ...round, task: "course" }] }).pattern.params);
    expect(pattern.rules.score(pattern.rules.start(params, pattern.match.initial, alone))[0]!.unit).toBe("laps");
  });
  it("documents from before, without either, are read and offer both", () => {
    const { shuttle: _, course: _c, ...before } = pattern.example.params;
    const old = pattern.params.parse({ ...before, rounds: [{ ...round, task: "shuttle" }] });
    expect(pattern.ground.pegs(old).map((peg) => peg.id)).toEqual(["far"]);
    expect(pattern.ground.move(old, "far", { along: 3 }).shuttle?.distance).toBe(3);
  });
});
