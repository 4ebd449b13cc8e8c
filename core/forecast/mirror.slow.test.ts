import { describe, expect, it } from "vitest";
import type { Setup } from "../contract/contract.ts";
import { SWAPS } from "../contract/swaps.ts";
import { type Activity, fromPattern } from "../formats/activity.ts";
import { patternNames, patterns } from "../patterns/registry.ts";
import { inFull, sampled } from "../sample-size.test-utils.ts";
import { mean } from "./distribution.ts";
import { forecastActivity } from "./for-activity.ts";

/** Games of a drawn forecast, and states of an exact one: fewer in every run, as many as forecasts have when it is proved. */
const PROVED = inFull(true, false);
const GAMES = PROVED ? 4_000 : 250;
const STATES = PROVED ? 6_000 : 1_500;
const two: Setup = { players: 2, mode: "against", seed: 7 };
const four: Setup = {
  ...two,
  players: 4,
  sides: [
    [0, 2],
    [1, 3],
  ],
};
const against = patternNames.filter((patternName) => patterns[patternName].modes.includes("against"));

/** Every way in which a pattern can be played against each other: when the turn passes, when it ends, and what its own fields say of sides. */
function waysOf(name: (typeof against)[number]): { as: string; a: Activity }[] {
  const activity = fromPattern(name);
  const { fields, swaps } = patterns[name].match;
  const turns = fields.includes("swap")
    ? (swaps ?? SWAPS.map((swap) => [swap, ""] as const)).map(([text]) => text)
    : [activity.match.swap];
  const ends = fields.includes("end") ? (["all", "first"] as const) : [activity.match.end];
  const own: Record<string, readonly object[]> = {
    stackUp: [{}, { heap: "shared" }, { heap: "shared", rounds: 1 }],
    swapSquare: [{}, { score: "time" }, { squares: "one" }],
    threeLine: [{ sends: 5 }],
  };
  return turns.flatMap((swap) =>
    ends.flatMap((end) =>
      (own[name] ?? [{}]).map((change) => ({
        as: `${swap} ${end} ${JSON.stringify(change)}`,
        a: {
          ...activity,
          match: { ...activity.match, swap, end },
          pattern: { ...activity.pattern, params: { ...(activity.pattern.params as object), ...change } } as never,
        },
      })),
    ),
  );
}

describe("mirror: equal players win equally often, averaged over who starts", () => {
  it.each(sampled(against, 2))("%s", (name) => {
    for (const { as, a: activity } of waysOf(name))
      for (const setup of [two, four]) {
        const who = Array.from({ length: setup.players }, () => ({ age: 8 }));
        const forecast = forecastActivity(activity, who, setup, "middle", { samples: GAMES, exactBudget: STATES });
        const within = forecast.method === "exact" ? 1e-9 : 4 * forecast.standardError;
        const [one, other] = forecast.sides.map((side) => side.win!);
        expect(Math.abs(one! - other!), `${as}, ${setup.players} players`).toBeLessThan(2 * within);
        // Whoever starts has the same edge, whichever side that is.
        if (forecast.starts)
          expect(Math.abs(forecast.starts[0]![0]! - forecast.starts[1]![1]!), as).toBeLessThan(
            forecast.method === "exact" ? 1e-9 : 0.2,
          );
      }
  });

  it("says the edge of whoever starts, and shows it alone where that is said", () => {
    const rally = fromPattern("rally");
    const who = [{ age: 8 }, { age: 8 }];
    const drawn = forecastActivity(rally, who, two, "middle");
    const first = forecastActivity(rally, who, two, "middle", { firstStarts: true });
    expect(drawn.starts).toHaveLength(2);
    expect(first.starts).toBeNull();
    expect(first.sides.map((side) => side.win)).toEqual(drawn.starts![0]);
    expect(drawn.starts![0]![0]!).not.toBeCloseTo(0.5, 3);
    expect(drawn.sides[0]!.win).toBeCloseTo(0.5, 9);
  });

  it("gives each side its own rounds of a row that both share", () => {
    const [, , one] = waysOf("stackUp");
    const forecast = forecastActivity(one!.a, [{ age: 8 }, { age: 8 }], two, "middle", { firstStarts: true });
    expect(mean(forecast.sides[0]!.sends)).toBeGreaterThan(0.99);
    expect(mean(forecast.sides[1]!.sends)).toBeGreaterThan(0.99);
  });
});
