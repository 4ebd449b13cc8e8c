import { describe, expect, it } from "vitest";
import { normalDraw, random } from "../random.ts";
import { AT } from "./grid.ts";
import { type GoSeen, truthOf, worstOf } from "./truth.ts";

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
        const hits = Array.from({ length: 20 }, () => (draw() < shareAt(x) ? 1 : 0)).reduce<number>((a, b) => a + b, 0);
        goes.push(goOf(`c${c}`, week, 20, hits));
      }
    }
    const t = truthOf(goes);
    // A band of whole hits holds a little more than it says.
    expect(t.inside!).toBeGreaterThan(0.77);
    expect(t.inside!).toBeLessThan(0.92);
    expect(t.brier!).toBeLessThan(t.guess!);
    for (const b of t.bins) if (b.tries > 500) expect(Math.abs(b.forecast - b.seen)).toBeLessThan(0.04);
  });
  it("a child that is other than its age is forecast better from its own goes than from its age", () => {
    const goes = Array.from({ length: 6 }, (_, week) => goOf("one", week, 20, 4));
    const t = truthOf(goes);
    expect(t.goes[0]!.forecast).toBeGreaterThan(0.4);
    expect(Math.abs(t.goes[5]!.forecast - 0.2)).toBeLessThan(Math.abs(t.goes[0]!.forecast - 0.2) / 2);
  });
  it("nothing played is nothing said", () => {
    expect(truthOf([])).toEqual({ goes: [], bins: [], inside: null, meant: null, brier: null, guess: null });
  });
  it("the share that is most off is named, where enough was sent and it is off by more than 3 points", () => {
    const bin = (forecast: number, seen: number, tries = 200) => ({ from: 0, tries, forecast, seen });
    expect(worstOf([bin(0.5, 0.52), bin(0.84, 0.65), bin(0.94, 0.68), bin(0.2, 0.9, 20)])).toEqual(bin(0.94, 0.68));
    expect(worstOf([bin(0.5, 0.52), bin(0.3, 0.9, 10)])).toBeNull();
  });
});
