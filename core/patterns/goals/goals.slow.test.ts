import { describe, expect, it } from "vitest";
import type { Setup } from "../../contract/contract.ts";
import { match as matchSchema } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity } from "../../forecast/for-activity.ts";
import { fromPattern, gameSettingsOf, parseActivity } from "../../formats/activity.ts";
import { having, refusedBy, take } from "../../referee/playing.test-utils.ts";
import { openPlay, view } from "../../referee/referee.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { tellGoals } from "./goals.reference.ts";
import { goals } from "./index.ts";
import { FOULS } from "./limits.ts";
import { type GoalsParams, goalsParams } from "./schema.ts";

const TWO: Setup = { players: 2, mode: "against", seed: 1 };
const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };
const begin = (change: object, match = {}, setup = TWO) =>
  openPlay(gameSettingsOf(having("goals", change, match)), setup);
const goal = (side: number) => ({ kind: "point", side });
const stop = (why: string, by?: number) => ({ kind: "point", side: null, why, ...(by !== undefined && { by }) });

describe("Goals: a second telling agrees", () => {
  const paramsOf = (draws: Draw): Drawn<GoalsParams> => ({
    params: goalsParams.parse({
      ...goals.example.params,
      points: 1 + draws.upTo(4),
      halves: draws.one([1, 2]),
      after: draws.one(["middle", "conceded"]),
      out: draws.one(["other", "middle", "again"]),
      fouls: FOULS.filter(() => draws.chance(0.5)),
      penalty: draws.one(["there", "middle", "shot"]),
      alone: { by: draws.one(["bell", "count"]), seconds: 10 + draws.upTo(30), goals: 1 + draws.upTo(5) },
    }),
    match: matchSchema.parse({ carry: draws.chance(0.3), ...(draws.chance(0.5) && { seconds: 10 + draws.upTo(30) }) }),
  });
  const eventOf = (draws: Draw, at: number, _: GoalsParams, legal: readonly string[]): GameEvent => {
    if (legal.includes("ready") && draws.chance(0.8)) return { kind: "ready", at };
    if (legal.includes("count") && draws.chance(0.6)) return { kind: "count", at, n: draws.upTo(2) };
    if (draws.chance(0.12)) return { kind: draws.one(["carry", "ready", "stand", "bell"]), at };
    const by = draws.chance(0.7) ? { by: draws.upTo(3) } : {};
    if (draws.chance(0.5)) return { kind: "point", at, side: draws.chance(0.03) ? 3 : draws.upTo(1) };
    return { kind: "point", at, side: null, why: draws.one(["on", "out", "missed", ...FOULS]), ...by };
  };
  it("over seeded event sequences", () => {
    expect(run(goals.rules, tellGoals, paramsOf, eventOf, goals.modes)).toBeGreaterThan(SEQUENCES / 20);
  }, 400_000);
});

describe("Goals against each other", () => {
  it("says who begins after a goal, out of play and a foul; a free shot comes first, and a miss gives the ball away", () => {
    const play = begin({ fouls: ["hands", "push"], penalty: "shot" });
    expect(view(play).now.key).toBe("goals.middle");
    const one = take(play, goal(0));
    expect(view(one)).toMatchObject({ player: 1, now: { key: "goals.middle" } });
    expect(view(take(one, stop("out", 1)))).toMatchObject({ player: 0, now: { key: "goals.bringIn" } });
    expect(refusedBy(one, stop("out"))).toBe("refused.whoseOut");
    expect(refusedBy(one, stop("feet", 1))).toBe("refused.noFoul");
    const foul = take(one, stop("push", 0));
    expect(view(foul)).toMatchObject({ player: 1, now: { key: "goals.shot" } });
    expect(refusedBy(foul, goal(0))).toBe("refused.shotFirst");
    expect(refusedBy(foul, stop("out", 0))).toBe("refused.shotFirst");
    expect(view(take(foul, stop("missed")))).toMatchObject({ player: 0, now: { key: "goals.bringIn" } });
    expect(view(take(foul, goal(1))).score.map((score) => score.value)).toEqual([1, 1]);
  });
  it("ends at so many, or in two halves with ends changed; level at the bell is a draw", () => {
    const first = take(begin({ points: 2 }), goal(1), goal(0), goal(1));
    expect(view(first)).toMatchObject({ done: "over", ending: { winners: [1] } });
    const half = begin({ points: null, halves: 2 }, { seconds: 30 });
    const changed = take(half, { kind: "ready" }, goal(0), { kind: "bell", at: 30_000 });
    expect(view(changed)).toMatchObject({ player: 1, now: { key: "goals.half" } });
    const end = take(changed, { kind: "ready", at: 40_000 }, { ...goal(1), at: 41_000 }, { kind: "bell", at: 70_000 });
    expect(view(end).ending).toMatchObject({ reason: { key: "goals.end.bell" }, winners: [0, 1] });
  });
  it("is refused where nothing ends it, or halves have no bell", () => {
    const bad = (change: object, match = {}) => {
      const activity = fromPattern("goals");
      const read = parseActivity({
        ...activity,
        match: { ...activity.match, ...match },
        pattern: { ...activity.pattern, params: { ...activity.pattern.params, ...change } },
      });
      return read.ok ? [] : read.problems.map((problem) => problem.field);
    };
    expect(bad({ points: null })).toEqual(["pattern.params.points"]);
    expect(bad({ halves: 2 })).toEqual(["pattern.params.halves"]);
    expect(bad({ farGoal: 3 })).toContain("pattern.params.farGoal");
    expect(bad({ points: null }, { seconds: 120 })).toEqual([]);
  });
});

describe("Goals' chances", () => {
  const two = [{ age: 8 }, { age: 8 }];
  it("to so many: the recursion over goals", () => {
    const win = forecastActivity(having("goals", { points: 3 }), two, TWO, "middle", { chances: { won: 0.6 } })
      .sides[0]!.win!;
    // Best of five.
    expect(win).toBeCloseTo(0.6 ** 3 * (1 + 3 * 0.4 + 6 * 0.16), 9);
  });
  it("until the bell: every tenth a goal for either or none, and a goal stops play", () => {
    const activity = having("goals", { points: null }, { seconds: 30 });
    const [q, r] = [0.01, 0.004];
    const told = forecastActivity(activity, two, TWO, "middle", { chances: { won: q, lost: r }, method: "exact" });
    // The same by going through the tenths: a goal takes its own, and then six seconds go by.
    const [ticks, stops] = [300, 61];
    const law = Array.from({ length: ticks + 1 }, () => new Map<string, number>());
    law[0]!.set("0 0", 1);
    const end = new Map<string, number>();
    for (let t = 0; t < ticks; t++)
      for (const [key, chance] of law[t]!) {
        const [x, y] = key.split(" ").map(Number) as [number, number];
        const to = (when: number, givenKey: string, share: number) => {
          const at = when <= ticks ? law[when]! : end;
          at.set(givenKey, (at.get(givenKey) ?? 0) + chance * share);
        };
        to(t + 1, key, 1 - q - r);
        to(t + stops, `${x + 1} ${y}`, q);
        to(t + stops, `${x} ${y + 1}`, r);
      }
    for (const [key, chance] of law[ticks]!) end.set(key, (end.get(key) ?? 0) + chance);
    const goalsOf = [...end].reduce((sum, [key, chance]) => sum + chance * Number(key.split(" ")[0]), 0);
    expect(mean(told.sides[0]!.points)).toBeCloseTo(goalsOf, 6);
  });
  it("a wider goal to attack, or more skill, scores more; in two halves ends even out", () => {
    const win = (change: object, who = two, match = {}) =>
      forecastActivity(having("goals", change, match), who, TWO, "middle").sides.map((side) => side.win!);
    expect(win({ farGoal: 1.2 })[0]).toBeGreaterThan(win({})[0]!);
    expect(win({}, [{ age: 12 }, { age: 7 }])[0]).toBeGreaterThan(0.6);
    const even = win({ points: null, halves: 2, farGoal: 1.2 }, two, { seconds: 60 });
    expect(even[0]).toBeCloseTo(even[1]!, 6);
  });
});

describe("Goals when playing alone", () => {
  it("counts as many goals as possible in the time, or takes its time for so many", () => {
    const bell = begin({ alone: { by: "bell", seconds: 30, goals: 5 } }, {}, ALONE);
    const scored = take(bell, { kind: "ready" }, { kind: "count", n: 1, at: 4000 }, { kind: "count", n: 2, at: 9000 });
    expect(view(take(scored, { kind: "bell", at: 30_000 })).score[0]).toMatchObject({ value: 3, unit: "goals" });
    const time = begin({ alone: { by: "count", seconds: 30, goals: 2 } }, {}, ALONE);
    const end = take(
      time,
      { kind: "ready", at: 1000 },
      { kind: "count", n: 1, at: 5000 },
      { kind: "count", n: 1, at: 9250 },
    );
    expect(view(end)).toMatchObject({ done: "over" });
    expect(view(end).score[0]).toMatchObject({ value: 83, unit: "tenths" });
    const told = forecastActivity(
      having("goals", { alone: { by: "count", seconds: 30, goals: 2 } }),
      [{ age: 8 }],
      ALONE,
      "middle",
    );
    expect(mean(told.sides[0]!.points)).toBeGreaterThan(50);
  });
});
