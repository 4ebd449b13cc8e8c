import { describe, expect, it } from "vitest";
import type { Setup } from "../contract/contract.ts";
import { type Activity, fromPattern } from "../formats/activity.ts";
import type { PatternName } from "../patterns/registry.ts";
import { mean } from "./distribution.ts";
import { forecastActivity } from "./for-activity.ts";
import type { ForecastInput } from "./forecast.ts";
import type { Forecast } from "./result.ts";
import { variance } from "./spread.test-utils.ts";

const alone: Setup = { players: 1, mode: "alone", seed: 1 };
const two: Setup = { players: 2, mode: "against", seed: 1 };
function changed(name: PatternName, change: object): Activity {
  const activity = fromPattern(name);
  return { ...activity, pattern: { name, params: { ...(activity.pattern.params as object), ...change } } as never };
}
const told = (activity: Activity, setup: Setup, more: Partial<ForecastInput>): Forecast =>
  forecastActivity(
    activity,
    Array.from({ length: setup.players }, () => ({ age: 8 })),
    setup,
    "middle",
    more as never,
  );
const [stage] = (fromPattern("streak").pattern.params as unknown as { stages: [object] }).stages;

describe("games without a cap are followed to their end, whatever only grows", () => {
  it("a run of six at .8 takes 2.814697 drops, and 14.073486 touches", () => {
    const activity = changed("streak", { stages: [{ ...stage, count: 6 }], tries: null, drop: "resets" });
    const forecast = told(activity, alone, { chances: { touch: 0.8 } });
    expect(forecast.method).toBe("exact");
    expect(mean(forecast.sides[0]!.sends)).toBeCloseTo(2.814697, 6);
    expect(mean(forecast.sides[0]!.sends)).toBeCloseTo(0.2 * 14.073486, 6);
  });

  it("a row of four, cleared with .9 .75 .6 .5, takes 10.419753 rounds from one pin", () => {
    const change = { full: 4, sends: 1, rounds: null, firstEnds: false };
    // Of a set that is named what stands falls: with one pin 9 in 10 bring it down, with two 3 in 4 both.
    const chances = { p1: 0.15, "p1 p2": 0.15, "p1 p2 p3": 0.1, "p1 p2 p3 p4": 0.5 };
    const by = (score: string) => told(changed("stackUp", { ...change, score }), alone, { chances });
    const forecast = by("rounds");
    expect(forecast.method).toBe("exact");
    expect(mean(forecast.sides[0]!.points)).toBeCloseTo(10.419753, 6);
    expect(mean(forecast.sides[0]!.sends)).toBeCloseTo(10.419753, 6);
    // What falls in all, against games drawn.
    const felled = by("felled").sides[0]!.points;
    const drawn = told(changed("stackUp", { ...change, score: "felled" }), alone, {
      chances,
      method: "sampled",
      samples: 2000,
    });
    expect(Math.abs(mean(felled) - mean(drawn.sides[0]!.points))).toBeLessThan(5 * Math.sqrt(variance(felled) / 2000));
  });

  it("a game to three, two ahead, .7 on the own serve and .5 on the other's: .721, and .809912 for the best of three", () => {
    const { serve } = fromPattern("rally").pattern.params as unknown as { serve: object };
    const rally = (games: number) =>
      told(
        changed("rally", {
          points: 3,
          lead: true,
          games,
          serve: { ...serve, by: "alternate", every: 1, second: false },
        }),
        two,
        { chances: { start: 0.7, far: 0.5 } },
      );
    expect([rally(1), rally(3)].map((forecast) => forecast.method)).toEqual(["exact", "exact"]);
    expect(rally(1).sides[0]!.win).toBeCloseTo(0.721, 9);
    expect(rally(3).sides[0]!.win).toBeCloseTo(0.721 ** 2 * (3 - 2 * 0.721), 9);
    expect(rally(3).sides[0]!.win).toBeCloseTo(0.809912, 6);
  });

  it("Bands alone, two pieces a round to exactly 7, going over drops to nought: as the chain says", () => {
    const finish = { rounds: null, total: 7, exact: true, dropTo: 0 };
    const activity = changed("bands", { pieces: 2, counting: "all", finish, points: [1, 2, 4, 6] });
    const chances = { short: 0.1, z1: 0.4, z2: 0.25, z3: 0.15, z4: 0.05, over: 0.05 };
    const forecast = told(activity, alone, { chances });
    expect(forecast.method).toBe("exact");
    const one = [
      [0, 0.15],
      [1, 0.4],
      [2, 0.25],
      [4, 0.15],
      [6, 0.05],
    ] as const;
    const round = one.flatMap(([x, p]) => one.map(([y, q]) => [x + y, p * q] as const));
    // Rounds still to come from each total: none once a hundred were played.
    let left = Array<number>(7).fill(0);
    for (let k = 0; k < 100; k++)
      left = left.map((_, at) =>
        round.reduce(
          (sum, [count, chance]) =>
            sum + chance * (at + count === 7 ? 0 : at + count > 7 ? left[0]! : left[at + count]!),
          1,
        ),
      );
    expect(mean(forecast.rounds)).toBeCloseTo(left[0]!, 6);
    expect(mean(forecast.sides[0]!.sends)).toBeCloseTo(2 * left[0]!, 6);
  });

  it("a Bands duel of all points, first to six, with extra rounds where it is level, is exact and even", () => {
    for (const lead of ["alternate", "same"]) {
      const finish = { rounds: null, total: 6, exact: false, dropTo: null };
      const activity = changed("bands", { pieces: 1, counting: "all", tie: "extra", lead, finish });
      const forecast = told(activity, two, {});
      const drawn = told(activity, two, { method: "sampled", samples: 3000 });
      expect(forecast.method).toBe("exact");
      expect(forecast.sides[0]!.win).toBeCloseTo(0.5, 9);
      expect(Math.abs(mean(forecast.rounds) - mean(drawn.rounds))).toBeLessThan(
        4 * Math.sqrt(variance(forecast.rounds) / 3000),
      );
      const off = mean(forecast.sides[0]!.points) - mean(drawn.sides[0]!.points);
      expect(Math.abs(off)).toBeLessThan(5 * Math.sqrt(variance(forecast.sides[0]!.points) / 3000));
    }
  });

  it.each([
    ["climb", { tries: null }],
    ["stackUp", { rounds: 8, score: "felled" }],
    ["checklist", {}],
    ["checklist", { score: "sends" }],
    ["passLadder", { sends: null, score: "passes", marks: [1, 1.4] }],
  ] as const)("%s %j is told alike step by step and in drawn games", (name, change) => {
    const activity = changed(name, change);
    const games = 2000;
    const [exact, drawn] = [told(activity, alone, {}), told(activity, alone, { method: "sampled", samples: games })];
    expect(exact.method).toBe("exact");
    for (const of of ["sends", "points", "stage"] as const) {
      const [distribution, y] = [exact.sides[0]![of], drawn.sides[0]![of]];
      expect(Math.abs(mean(distribution) - mean(y)), of).toBeLessThan(
        5 * Math.sqrt(variance(distribution) / games) + 1e-9,
      );
      expect(distribution.p.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1 - exact.cut, 9);
    }
    expect(Math.abs(mean(exact.time) - mean(drawn.time))).toBeLessThan(5 * Math.sqrt(variance(exact.time) / games));
  });
});
