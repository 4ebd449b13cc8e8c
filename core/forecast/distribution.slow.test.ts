import { describe, expect, it } from "vitest";
import { fromPattern } from "../formats/activity.ts";
import { patternNames } from "../patterns/registry.ts";
import { distribution, LIKELY, likelyRange } from "./distribution.ts";
import { forecastActivity } from "./for-activity.ts";

const of = (...mass: [number, number][]) => distribution(new Map(mass));

describe("the likely range", () => {
  it("is the shortest that holds eight in ten, and says what it really holds", () => {
    expect(likelyRange(of([0, 0.05], [1, 0.1], [2, 0.7], [3, 0.1], [4, 0.05]))).toEqual({
      low: 1,
      high: 2,
      holds: expect.closeTo(0.8, 12),
    });
    expect(likelyRange(of([0, 0.15], [1, 0.85]))).toEqual({ low: 1, high: 1, holds: 0.85 });
    // Where some never end, all that has a number.
    expect(likelyRange(of([3, 0.2], [5, 0.3]))).toEqual({ low: 3, high: 5, holds: 0.5 });
  });
  it.each(patternNames)("of %s holds what it says, and never loses more than its ends", (name) => {
    const forecast = forecastActivity(
      fromPattern(name),
      [{ age: 8 }],
      { players: 1, mode: "alone", seed: 1 },
      "middle",
    );
    for (const eachDistribution of [forecast.sides[0]!.points, forecast.time]) {
      const { low, high, holds } = likelyRange(eachDistribution);
      const inside = eachDistribution.at.reduce(
        (sum, v, i) => sum + (v >= low && v <= high ? eachDistribution.p[i]! : 0),
        0,
      );
      expect(holds).toBeCloseTo(inside, 9);
      expect(holds).toBeGreaterThanOrEqual(Math.min(LIKELY, 1 - forecast.cut) - 1e-9);
      // Without either end it would hold too little.
      const edge = (value: number) => eachDistribution.p[eachDistribution.at.indexOf(value)] ?? 0;
      if (low < high) expect(holds - Math.max(edge(low), edge(high))).toBeLessThan(LIKELY + 1e-9);
    }
  });
});
