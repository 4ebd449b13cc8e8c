import { describe, expect, it } from "vitest";
import type { Role } from "../contract/contract.ts";
import { fromPattern } from "../formats/activity.ts";
import { type PatternName, patternNames } from "../patterns/registry.ts";
import { inFull, sampled } from "../sample-size.test-utils.ts";
import { forecastActivity } from "./for-activity.ts";
import { Shared, type SoFar } from "./forecast.ts";

const WHO = [{ age: 7 }, { age: 9 }];
const against = (people?: Role[]) =>
  ({ players: 2, mode: "against", seed: 3, ...(people && { people }) }) as const satisfies object;
const to = (standardError: number) => (soFar: SoFar) => soFar.standardError < standardError;
const plays: Role = { role: "plays" };

describe("games in pairs with luck turned round", () => {
  it.each(["bands", "climb", "threeLine", "bases"] as const)(
    "%s: the same chances as games one by one, and never less sure of them",
    (name) => {
      const activity = fromPattern(name);
      const by = (more: object) => forecastActivity(activity, WHO, against(), "middle", { method: "sampled", ...more });
      const singly = by({ samples: 1800 });
      const paired = by({ samples: 800, enough: () => false });
      const error = Math.hypot(singly.standardError, paired.standardError);
      expect(paired.size).toBe(800);
      for (const [i, side] of paired.sides.entries())
        expect(Math.abs(side.win! - singly.sides[i]!.win!), name).toBeLessThan(4 * error);
      expect(paired.standardError).toBeLessThan(1.02 * (0.5 / Math.sqrt(800)));
    },
  );
  it("are worth many more where luck decides alone", () => {
    const forecast = forecastActivity(fromPattern("bands"), WHO, against(), "middle", {
      method: "sampled",
      samples: 1200,
      enough: () => false,
    });
    expect(forecast.standardError).toBeLessThan(0.8 * (0.5 / Math.sqrt(1200)));
  });
  it("told alike by the spread of many such forecasts as by their own standard error", () => {
    const activity = fromPattern("bands");
    const all = Array.from({ length: 40 }, (_, seed) =>
      forecastActivity(activity, WHO, { ...against(), seed }, "middle", {
        method: "sampled",
        samples: 100,
        enough: () => false,
      }),
    );
    const wins = all.map((forecast) => forecast.sides[0]!.win!);
    const mean = wins.reduce((sum, y) => sum + y, 0) / wins.length;
    const spread = Math.sqrt(wins.reduce((sum, w) => sum + (w - mean) ** 2, 0) / (wins.length - 1));
    const told = all.reduce((sum, forecast) => sum + forecast.standardError, 0) / all.length;
    expect(spread / told).toBeGreaterThan(0.7);
    expect(spread / told).toBeLessThan(1.3);
  });
  it("go on from those that were drawn before", () => {
    const activity = fromPattern("bands");
    const by = (shared: Shared, error: number) =>
      forecastActivity(activity, WHO, against(), "middle", {
        method: "sampled",
        samples: 4000,
        enough: to(error),
        shared,
      });
    const shared = new Shared();
    const rough = by(shared, 0.05);
    const sure = by(shared, 0.02);
    expect(sure.size).toBeGreaterThan(rough.size);
    expect(sure.sides).toEqual(by(new Shared(), 0.02).sides);
  });
});

describe("forecasts that have something in common", () => {
  it("say of each match what it says by itself", () => {
    for (const name of ["board", "bands"] as const) {
      const activity = fromPattern(name);
      const shared = new Shared();
      const matches: Role[][] = [
        [plays, plays],
        [{ ...plays, head: 2 }, plays],
        [plays, { ...plays, otherHand: true }],
        [plays, plays],
      ];
      for (const people of matches) {
        const more = { samples: 200, enough: () => false };
        const one = forecastActivity(activity, WHO, against(people), "middle", { ...more, shared });
        const other = forecastActivity(activity, WHO, against(people), "middle", more);
        expect(one.method).toBe(other.method);
        for (const [i, sideForecast] of one.sides.entries())
          expect(sideForecast.win, name).toBeCloseTo(other.sides[i]!.win!, 9);
      }
    }
  });
  it("without times have the same chances", () => {
    const exact = (name: PatternName, untimed: boolean) => {
      const activity = fromPattern(name);
      if (!activity.players.modes.includes("against")) return null;
      const forecast = forecastActivity(activity, WHO, against(), "middle", { samples: 20, untimed });
      return forecast.method === "exact" ? forecast.sides.map((side) => side.win!) : null;
    };
    let looked = 0;
    for (const name of sampled(patternNames, 2)) {
      const [timed, untimed] = [exact(name, false), exact(name, true)];
      if (!timed) continue;
      looked++;
      for (const [i, value] of timed.entries()) expect(untimed![i], name).toBeCloseTo(value, 9);
    }
    expect(looked).toBeGreaterThan(inFull(8, 3));
  });
});
