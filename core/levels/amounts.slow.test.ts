import { describe, expect, it } from "vitest";
import { fieldOf } from "../contract/range.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { ForecastStopped } from "../forecast/forecast.ts";
import { activity, fromPattern } from "../formats/activity.ts";
import { logit } from "../log-odds.ts";
import { patternNames } from "../patterns/registry.ts";
import { amountsOf, endsOn, proposeAmount } from "./amounts.ts";
import { AS_DRAWN, atLevel, levelFor, levelsOf, spaced } from "./levels.ts";
import { nextWeek } from "./next-week.ts";

const climb = fromPattern("climb");
const alone = { players: 1, mode: "alone", seed: 1 } as const;
const values = (list: ReturnType<typeof proposeAmount>) =>
  list.map((level) => level.setting.settings[0]?.value ?? "drawn");
const byEnd = (list: ReturnType<typeof proposeAmount>) => ({
  of: "end" as const,
  low: 0.6,
  high: 0.8,
  list: list.map((level) => level.setting),
  up: 2,
  down: 1,
});

describe("levels of one number", () => {
  const found = proposeAmount(climb, { age: 7 }, "params.tries");
  it("are evenly spaced by how often the end is reached, as the forecast itself says of each", () => {
    const meant = spaced({ low: 0.6, high: 0.8 }, 5);
    expect(found.length).toBeGreaterThanOrEqual(3);
    for (const level of found) {
      expect(meant).toContain(level.meant);
      expect(Math.abs(level.rate - level.meant)).toBeLessThan(0.05);
      const forecast = forecastActivity(atLevel(climb, level.setting), [{ age: 7 }], alone, "middle", {
        method: "exact",
      });
      expect(forecast.sides[0]!.finish).toBeCloseTo(level.rate, 9);
    }
    // Fewer sends for the same ladder are harder.
    const sends = values(found) as number[];
    expect([...sends].sort((x, y) => y - x)).toEqual(sends);
    for (let i = 1; i < found.length; i++) expect(found[i]!.rate).toBeLessThan(found[i - 1]!.rate);
  });
  it("are the nearest that there are: no value between comes nearer to what was meant", () => {
    const off = (rate: number, meant: number) => Math.abs(logit(rate) - logit(meant));
    for (const level of found)
      for (let tries = 8; tries <= 20; tries++) {
        const [[rate]] = endsOn(
          climb,
          [{ ...AS_DRAWN, settings: [{ field: "params.tries", value: tries }] }],
          [{ age: 7 }],
        ) as [[number]];
        const nearest = found.reduce((eachLevel, x) =>
          off(x.rate, level.meant) < off(eachLevel.rate, level.meant) ? x : eachLevel,
        );
        if (Math.abs(nearest.rate - level.meant) >= 0.02)
          expect(off(rate, level.meant)).toBeGreaterThanOrEqual(off(nearest.rate, level.meant) - 1e-9);
      }
  });
  it("go the other way where more is harder, and are as few as differ", () => {
    const more = proposeAmount(fromPattern("streak"), { age: 7 }, "params.stages.0.count", { count: 3 });
    const counts = values(more) as number[];
    expect([...counts].sort((x, y) => x - y)).toEqual(counts);
    const few = proposeAmount(fromPattern("sweep"), { age: 7 }, "params.sends");
    expect(few.length).toBeGreaterThanOrEqual(2);
    expect(new Set(values(few)).size).toBe(few.length);
  });
  it("are none where the number changes nothing of it, and where there is no such number", () => {
    expect(proposeAmount(fromPattern("board"), { age: 7 }, "params.bonus")).toEqual([]);
    expect(proposeAmount(climb, { age: 7 }, "params.nothing")).toEqual([]);
    for (const name of patternNames)
      for (const knob of amountsOf(fromPattern(name))) expect(fieldOf(knob).length, name).toBeLessThanOrEqual(80);
  });
  it("tell how far they are, and can be given up", () => {
    const seen: number[] = [];
    const count = (givenCount: number) => seen.push(givenCount);
    proposeAmount(climb, { age: 7 }, "params.tries", { count: 3 }, { seen: count });
    expect(seen).toEqual(seen.map((_, i) => i + 1));
    expect(() => proposeAmount(climb, { age: 7 }, "params.tries", {}, { stop: () => true })).toThrow(ForecastStopped);
  });
  it("suit a child by how often it would reach the end, and next week goes by that", () => {
    const levels = byEnd(found);
    const design = activity.parse({ ...climb, levels });
    const [weak, strong] = [
      { age: 7, multiplier: 1.3 },
      { age: 7, multiplier: 0.7 },
    ];
    const told = levelFor(design, strong)!;
    expect(told.rates).toEqual(endsOn(climb, levels.list, [strong]).map((r) => r[0]));
    expect(told.level).toBeGreaterThan(levelFor(design, weak)!.level);
    expect(
      levelsOf(
        design,
        [weak, strong, weak].map((who) => ({ who, supports: [] })),
      ),
    ).toEqual([levelFor(design, weak)!.level, told.level, levelFor(design, weak)!.level]);
    const last = levels.list.length - 1;
    const never = [0, 0, 0].map((hits) => ({ hits, sends: 1 }));
    const [next] = nextWeek({ ...design, levels: null }, levels, [{ who: weak, level: last, came: true, goes: never }]);
    expect(next).toMatchObject({ move: "down", notice: "stuck" });
    expect(next!.now).toBeCloseTo(levelFor(design, weak)!.rates[last]!, 9);
    expect(activity.safeParse({ ...climb, levels: { ...levels, of: "hits" } }).success).toBe(false);
  });
});
