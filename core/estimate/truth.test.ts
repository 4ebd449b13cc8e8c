import { describe, expect, it } from "vitest";
import { normalDraw, random } from "../random.ts";
import { AT } from "./grid.ts";
import { accuracyOf, type GoSeen, truthOf, worstOf } from "./truth.ts";

/** A game whose share of hits at a multiplier is known: 1 / (1 + m). */
const shareAt = (x: number) => 1 / (1 + Math.exp(x));
function goOf(child: string, week: number, tries: number, hits: number): GoSeen {
  const ll = AT.spread.map((x) => hits * Math.log(shareAt(x)) + (tries - hits) * Math.log(1 - shareAt(x)));
  return { child, age: 8, axis: "spread", week, tries, hits, means: AT.spread.map((x) => tries * shareAt(x)), ll };
}

describe("how forecasts came true", () => {
  it("of children that are as assumed: 80 % of goes inside, shares as forecast, better than the class's own share", () => {
    const draw = random(2);
    const goes: GoSeen[] = [];
    for (let c = 0; c < 150; c++) {
      const x = 0.35 * normalDraw(draw);
      for (let week = 0; week < 6; week++) {
        const hits = Array.from({ length: 20 }, () => (draw() < shareAt(x) ? 1 : 0)).reduce<number>(
          (sum, b) => sum + b,
          0,
        );
        goes.push(goOf(`c${c}`, week, 20, hits));
      }
    }
    const truth = truthOf(goes);
    // A band of whole hits holds a little more than it says.
    expect(truth.inside!).toBeGreaterThan(0.77);
    expect(truth.inside!).toBeLessThan(0.92);
    // From the second week on they know much; in the first they know the age alone.
    expect(truth.ofPossible!).toBeGreaterThan(0.5);
    expect(truth.ofPossible!).toBeLessThan(0.95);
    for (const bin of truth.bins) if (bin.tries > 500) expect(Math.abs(bin.forecast - bin.seen)).toBeLessThan(0.04);
  });
  it("a child that is other than its age is forecast better from its own goes than from its age", () => {
    const goes = Array.from({ length: 6 }, (_, week) => goOf("one", week, 20, 4));
    const truth = truthOf(goes);
    expect(truth.goes[0]!.forecast).toBeGreaterThan(0.4);
    expect(Math.abs(truth.goes[5]!.forecast - 0.2)).toBeLessThan(Math.abs(truth.goes[0]!.forecast - 0.2) / 2);
  });
  it("the share of what is possible: what knows every child is 1, what knows the age is 0, and few tries say nothing", () => {
    const draw = random(4);
    const goes = Array.from({ length: 3000 }, () => {
      const share = 0.2 + 0.6 * draw();
      const hits = Array.from({ length: 12 }, () => draw() < share).filter(Boolean).length;
      return { tries: 12, hits, byAge: 0.5, low: 0, high: 1, holds: 1, share };
    });
    const told = (of: (share: number) => number) =>
      accuracyOf(goes.map((go) => ({ ...go, forecast: of(go.share) }))).ofPossible!;
    expect(told((share) => share)).toBeCloseTo(1, 1);
    expect(told(() => 0.5)).toBe(0);
    // Half of the way in the squares: errors of the square root of a half.
    expect(told((share) => 0.5 + (1 - Math.SQRT1_2) * (share - 0.5))).toBeCloseTo(0.5, 1);
    expect(told((share) => 1 - share)).toBeLessThan(-1);
    expect(accuracyOf(goes.slice(0, 10).map((go) => ({ ...go, forecast: go.share }))).ofPossible).toBeNull();
    // Children who are all alike: nothing could be known of them that their age does not say.
    const alike = goes.map((go) => ({ ...go, hits: 6, forecast: 0.5 }));
    expect(accuracyOf(alike).ofPossible).toBeNull();
  });
  it("nothing played is nothing said", () => {
    expect(truthOf([])).toEqual({ goes: [], bins: [], inside: null, meant: null, ofPossible: null });
  });
  it("the share that is most off is named, where enough was sent and it is off by more than 3 points", () => {
    const bin = (forecast: number, seen: number, tries = 200) => ({ from: 0, tries, forecast, seen });
    expect(worstOf([bin(0.5, 0.52), bin(0.84, 0.65), bin(0.94, 0.68), bin(0.2, 0.9, 20)])).toEqual(bin(0.94, 0.68));
    expect(worstOf([bin(0.5, 0.52), bin(0.3, 0.9, 10)])).toBeNull();
  });
});
