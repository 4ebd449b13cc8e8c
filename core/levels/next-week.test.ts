import { describe, expect, it } from "vitest";
import { fromPattern } from "../formats/activity.ts";
import { patternNames } from "../patterns/registry.ts";
import { AS_DRAWN, everyLevel, rateWith, shareOf } from "./levels.ts";
import { levelsNext, nextWeek } from "./next-week.ts";

const board = fromPattern("board");
const levels = {
  ...levelsNext(board, { age: 7 }),
  list: [-0.75, -0.5, -0.25, 0, 0.25].map((line) => ({ ...AS_DRAWN, line })),
};
const goes = (hits: number, sends = 10) => Array(3).fill({ hits, sends });

describe("next week", () => {
  it("a child that misses goes down, one that hits goes up, one inside stays; each with its shares", () => {
    const [wild, sure, fine] = nextWeek(board, levels, [
      { who: { age: 7, multiplier: 2 }, level: 2, goes: goes(2) },
      { who: { age: 7, multiplier: 0.6 }, level: 0, goes: goes(10) },
      { who: { age: 7 }, level: 0, goes: goes(7) },
    ]);
    expect(wild).toMatchObject({ move: "down", notice: "stuck" });
    expect(wild!.rate!).toBeGreaterThan(wild!.now!);
    expect(sure).toMatchObject({ move: "up", notice: "bored" });
    expect(sure!.rate!).toBeLessThan(sure!.now!);
    expect(fine).toMatchObject({ move: "stay", level: 0, notice: null });
  });
  it("what a child needs is part of what it is proposed: with bigger targets a harder level", () => {
    const who = { age: 7, multiplier: 1.3 };
    const climb = fromPattern("climb");
    const own = {
      ...levelsNext(climb, { age: 7 }),
      list: [-0.75, -0.5, -0.25, 0, 0.25].map((line) => ({ ...AS_DRAWN, line })),
    };
    const [plain, helped] = nextWeek(climb, own, [
      { who, level: null, goes: goes(6) },
      { who, supports: ["bigger"], level: null, goes: goes(6) },
    ]);
    expect(helped!.now!).toBeGreaterThan(plain!.now!);
    expect(helped!.level).toBeGreaterThanOrEqual(plain!.level);
  });
  it.each(patternNames)(
    "%s: whoever is far above the corridor gets the hardest level, whoever is far below the easiest",
    (name) => {
      const activity = fromPattern(name);
      const list = levelsNext(activity, { age: 8 });
      for (const who of [
        { age: 8, multiplier: 0.25, skill: 3 },
        { age: 8, multiplier: 4, skill: -3 },
      ]) {
        const rates = everyLevel(activity, list).map((onLevel) =>
          rateWith(onLevel.activity, who, { self: onLevel.self, supports: [], share: shareOf(list) }),
        );
        if (rates.some((rate) => rate === null)) continue;
        const [proposal] = nextWeek(activity, list, [{ who, level: null, goes: [] }]);
        if (rates.every((rate) => rate! > list.high))
          expect(Math.min(...(rates as number[]))).toBeGreaterThan(proposal!.rate! - 0.02);
        if (rates.every((rate) => rate! < list.low))
          expect(Math.max(...(rates as number[]))).toBeLessThan(proposal!.rate! + 0.02);
        // Where all are alike, it is the last or the first of them.
        if (new Set(rates).size === 1 && rates[0]! > list.high) expect(proposal!.level).toBe(rates.length - 1);
        if (new Set(rates).size === 1 && rates[0]! < list.low) expect(proposal!.level).toBe(0);
      }
    },
  );
  it("who did not come is named, and two goes are too few to say that somebody is stuck", () => {
    const [none, two] = nextWeek(board, levels, [
      { who: { age: 7 }, level: 2, goes: [] },
      { who: { age: 7 }, level: 2, goes: goes(0).slice(0, 2) },
    ]);
    expect([none!.notice, two!.notice]).toEqual(["absent", null]);
    const [company] = nextWeek(board, levels, [{ who: { age: 7 }, level: 2, came: true, goes: [] }]);
    expect(company!.notice).toBeNull();
  });
  it("takes ten thousand children, children alike once", () => {
    const many = Array.from({ length: 10_000 }, (_, i) => ({
      who: { age: 6 + (i % 4), multiplier: 0.6 + 0.05 * (i % 30) },
      level: i % 5,
      goes: goes(i % 11),
    }));
    const began = performance.now();
    expect(nextWeek(board, levels, many)).toHaveLength(10_000);
    // The goal is 10 s on one core; what a busy machine adds is allowed for.
    expect(performance.now() - began).toBeLessThan(20_000);
  });
});
