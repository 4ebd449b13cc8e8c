import { describe, expect, it } from "vitest";
import { random } from "../random.ts";
import { inFull } from "../sample-size.test-utils.ts";
import { fewestTrips } from "./fewest.ts";
import { collected, greedyTrips, isWhole, type Reach } from "./grid.ts";
import { mixed, stirred } from "./mix.ts";

/** Every mix of a square of n kinds, as text. */
function every(count: number): string[] {
  const out: string[] = [];
  const left = Array<number>(count).fill(count);
  const go = (text: string) => {
    if (text.length === count * count) {
      out.push(text);
      return;
    }
    for (let k = 0; k < count; k++) {
      if (left[k] === 0) continue;
      left[k]!--;
      go(text + k);
      left[k]!++;
    }
  };
  go("");
  return out;
}
/** What a square is after a swap, told with strings: no code of the search is shared. */
const clear = (text: string, count: number): string => {
  let words = text;
  while (words.length > 0 && new Set(words.slice(0, count)).size === 1) words = words.slice(count);
  return words;
};
function neighbours(text: string, count: number, reach: Reach): string[] {
  const out: string[] = [];
  for (let i = 0; i < text.length; i++)
    for (let j = i + 1; j < text.length; j++) {
      const [row, column] = [Math.floor(i / count) === Math.floor(j / count), i % count === j % count];
      if (!row && !column) continue;
      if (reach === "next" && !(row ? j - i === 1 : j - i === count)) continue;
      const t = [...text];
      [t[i], t[j]] = [t[j]!, t[i]!];
      out.push(clear(t.join(""), count));
    }
  return out;
}
/** Breadth first from a square until it is gone. */
function plainly(text: string, count: number, reach: Reach): number {
  let front = new Set([clear(text, count)]);
  const seen = new Set(front);
  for (let trips = 0; ; trips++) {
    if (front.has("")) return trips;
    const next = new Set<string>();
    for (const eachText of front)
      for (const neighbour of neighbours(eachText, count, reach))
        if (!seen.has(neighbour)) {
          seen.add(neighbour);
          next.add(neighbour);
        }
    front = next;
  }
}
/** The fewest trips of all squares at once: backwards from those that are gone, over everything that can come up. */
function allAtOnce(count: number, reach: Reach): Map<string, number> {
  const whole = every(count);
  const known = new Map<string, number>([["", 0]]);
  const from = new Map<string, string[]>();
  const reached = new Set(whole.map((text) => clear(text, count)));
  const list = [...reached];
  for (let i = 0; i < list.length; i++) {
    const text = list[i]!;
    for (const eachText of text === "" ? [] : neighbours(text, count, reach)) {
      from.set(eachText, [...(from.get(eachText) ?? []), text]);
      if (!reached.has(eachText)) {
        reached.add(eachText);
        list.push(eachText);
      }
    }
  }
  let front = [""];
  for (let trips = 1; front.length > 0; trips++) {
    const next: string[] = [];
    for (const text of front)
      for (const eachText of from.get(text) ?? [])
        if (!known.has(eachText)) {
          known.set(eachText, trips);
          next.push(eachText);
        }
    front = next;
  }
  return new Map(whole.map((text) => [text, known.get(clear(text, count))!]));
}
/** More of them where everything is proved at length (`npm run test:long`). */
const MIXES = inFull(500, 20);
const cellsOf = (text: string) => [...text].map(Number);

describe("fewest trips of a square", () => {
  it.each([
    ["line", 3.192857, 6],
    ["next", 4.039286, 8],
  ] as const)(
    "are those of a full search over all 1,680 mixes of three kinds, %s",
    (reach, middle, most) => {
      const full = allAtOnce(3, reach);
      expect(full.size).toBe(1680);
      const all = [...full.values()];
      expect(all.reduce((sum, b) => sum + b, 0) / 1680).toBeCloseTo(middle, 6);
      expect(Math.max(...all)).toBe(most);
      if (reach === "line") expect([...full.keys()].filter((key) => clear(key, 3) !== key)).toHaveLength(60);
      for (const [text, trips] of full)
        expect(fewestTrips(cellsOf(text), 3, reach), text).toEqual({ lower: trips, upper: trips });
    },
    60_000,
  );
  it.each(["line", "next"] as const)("are those of a full search over all mixes of two kinds, %s", (reach) => {
    for (const text of every(2)) {
      const trips = plainly(text, 2, reach);
      expect(fewestTrips(cellsOf(text), 2, reach), text).toEqual({ lower: trips, upper: trips });
    }
  });
  it("with four kinds are those of a plain search, for 20 mixes that are near enough for it", () => {
    const draw = random(5);
    for (let i = 0; i < MIXES; i++) {
      const cells = stirred(4, i % 2 ? "line" : "next", 3, draw);
      const reach = i % 2 ? "line" : "next";
      const trips = plainly(cells.join(""), 4, reach);
      expect(fewestTrips(cells, 4, reach), cells.join("")).toEqual({ lower: trips, upper: trips });
    }
  }, 900_000);
  it("with five kinds are bounds, and sensible play is never below them", () => {
    const cells = stirred(5, "line", null, random(3));
    const { lower, upper } = fewestTrips(cells, 5, "line", { budget: 60 });
    expect(lower).toBeGreaterThan(3);
    expect(upper).toBeGreaterThanOrEqual(lower);
    expect(upper).toBeLessThanOrEqual(greedyTrips(cells, 5, "line"));
  });
});

describe("a mix of wanted difficulty", () => {
  it.each([
    [2, "line", 1, 2],
    [3, "line", 3, 4],
    [3, "next", 5, 6],
    [4, "line", 4, 5],
    [4, "next", 6, 8],
  ] as const)(
    "%s kinds, %s, in %s to %s trips: proved, whole, and never with a complete near row",
    (n, reach, least, most) => {
      for (let seed = 1; seed <= 4; seed++) {
        const m = mixed({ n, reach, least, most, seed });
        expect(m.wanted).toBe(true);
        expect(isWhole(m.cells, n)).toBe(true);
        expect(collected(m.cells, n).rows).toBe(0);
        expect(m.lower).toBe(m.upper);
        expect(m.lower).toBeGreaterThanOrEqual(least);
        expect(m.upper).toBeLessThanOrEqual(most);
        expect(mixed({ n, reach, least, most, seed })).toEqual(m);
      }
    },
    60_000,
  );
  it("stops when it is told to, and gives the nearest so far", () => {
    let looked = 0;
    const m = mixed({ n: 4, reach: "line", least: 12, most: 12, seed: 1 }, undefined, () => ++looked > 3);
    expect(m.wanted).toBe(false);
    expect(isWhole(m.cells, 4)).toBe(true);
  });
});
