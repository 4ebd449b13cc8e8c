import { describe, expect, it } from "vitest";
import type { Setup } from "../contract/contract.ts";
import { SWAPS } from "../contract/match.ts";
import { type Activity, fromPattern } from "../formats/activity.ts";
import { patternNames, patterns } from "../patterns/registry.ts";
import { mean } from "./distribution.ts";
import { forecastActivity } from "./for-activity.ts";

/** Games of a drawn forecast: a few in every run, as many as forecasts have when it is proved. */
const GAMES = Number(process.env.YARD_SEQUENCES ?? 2_000) > 2_000 ? 4_000 : 400;
const two: Setup = { players: 2, mode: "against", seed: 7 };
const four: Setup = {
  ...two,
  players: 4,
  sides: [
    [0, 2],
    [1, 3],
  ],
};
const against = patternNames.filter((n) => patterns[n].modes.includes("against"));

/** Every way in which a pattern can be played against each other: when the turn passes, when it ends, and what its own fields say of sides. */
function waysOf(name: (typeof against)[number]): { as: string; a: Activity }[] {
  const a = fromPattern(name);
  const { fields, swaps } = patterns[name].match;
  const turns = fields.includes("swap")
    ? (swaps ?? SWAPS.map((s) => [s, ""] as const)).map(([s]) => s)
    : [a.match.swap];
  const ends = fields.includes("end") ? (["all", "first"] as const) : [a.match.end];
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
          ...a,
          match: { ...a.match, swap, end },
          pattern: { ...a.pattern, params: { ...(a.pattern.params as object), ...change } } as never,
        },
      })),
    ),
  );
}

describe("mirror: equal players win equally often, averaged over who starts", () => {
  it.each(against)("%s", (name) => {
    for (const { as, a } of waysOf(name))
      for (const setup of [two, four]) {
        const who = Array.from({ length: setup.players }, () => ({ age: 8 }));
        const f = forecastActivity(a, who, setup, "middle", { samples: GAMES, exactBudget: 6_000 });
        const within = f.method === "exact" ? 1e-9 : 4 * f.standardError;
        const [one, other] = f.sides.map((s) => s.win!);
        expect(Math.abs(one! - other!), `${as}, ${setup.players} players`).toBeLessThan(2 * within);
        // Whoever starts has the same edge, whichever side that is.
        if (f.starts)
          expect(Math.abs(f.starts[0]![0]! - f.starts[1]![1]!), as).toBeLessThan(f.method === "exact" ? 1e-9 : 0.2);
      }
  });

  it("says the edge of whoever starts, and shows it alone where that is said", () => {
    const rally = fromPattern("rally");
    const who = [{ age: 8 }, { age: 8 }];
    const drawn = forecastActivity(rally, who, two, "middle");
    const first = forecastActivity(rally, who, two, "middle", { firstStarts: true });
    expect(drawn.starts).toHaveLength(2);
    expect(first.starts).toBeNull();
    expect(first.sides.map((s) => s.win)).toEqual(drawn.starts![0]);
    expect(drawn.starts![0]![0]!).not.toBeCloseTo(0.5, 3);
    expect(drawn.sides[0]!.win).toBeCloseTo(0.5, 9);
  });

  it("gives each side its own rounds of a row that both share", () => {
    const [, , one] = waysOf("stackUp");
    const f = forecastActivity(one!.a, [{ age: 8 }, { age: 8 }], two, "middle", { firstStarts: true });
    expect(mean(f.sides[0]!.sends)).toBeGreaterThan(0.99);
    expect(mean(f.sides[1]!.sends)).toBeGreaterThan(0.99);
  });
});
