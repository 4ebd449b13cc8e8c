import { describe, expect, it } from "vitest";
import { countIn, countOut, countPlain, spreadOfCount } from "./count.ts";
import { stature } from "./stature.ts";
import { paces } from "./step.ts";

describe("measures", () => {
  it("takes stature from the table, linear between", () => {
    expect([stature(4), stature(7), stature(7.5), stature(15), stature("adult"), stature(3)]).toEqual([
      1.03, 1.22, 1.245, 1.66, 1.7, 1.03,
    ]);
    // Nobody jumps at a birthday.
    for (let age = 4; age < 20; age += 0.1) expect(stature(age + 0.1) - stature(age)).toBeLessThan(0.02);
    expect(stature(18)).toBe(stature("adult"));
    expect(() => stature(Number.NaN)).toThrow("age: NaN");
  });
  it("derives paces, and rebuilds them around a measured step", () => {
    expect(paces(7).step).toBeCloseTo(0.5002, 10);
    expect(paces(7).shoe).toBeCloseTo(0.183, 10);
    expect(paces(7).bigStep).toBeCloseTo(0.732, 10);
    expect(paces(7, 0.6).step).toBeCloseTo(0.6, 12);
  });
  it("counts half steps, unless that moves the hit rate by more than 3 points and shoes do better", () => {
    const own = paces(6);
    expect(countOut(2, own, () => 0.5)).toMatchObject({ unit: "step", count: 4, moved: 0 });
    const steep = (distance: number) => Math.max(0, 1 - distance / 2);
    expect(countOut(0.6, own, steep)).toMatchObject({ unit: "shoe", count: 3 });
    expect(countOut(4.4, own, (distance) => Math.max(0, 1 - distance / 6)).unit).toBe("step");
  });
  it("knows how far one count spreads over a class", () => {
    const { from, to } = spreadOfCount(5.5, [paces(6), paces(8)]);
    expect(from).toBeCloseTo(2.6158, 4);
    expect(to).toBeCloseTo(2.86385, 4);
  });
});

describe("counting in any unit", () => {
  const own = paces(7);
  it("ends where so many of that unit end, at least the finest one of it", () => {
    expect(countIn("metre", 2.34, own)).toMatchObject({ count: 2.3, metres: 2.3, error: 0.01 });
    expect(countIn("foot", 1, own)).toMatchObject({ count: 3.5, error: 0.01 });
    expect(countIn("foot", 1, own).metres).toBeCloseTo(3.5 * 0.3048, 12);
    expect(countIn("bigStep", 2, own)).toMatchObject({ count: 2.5 });
    expect(countIn("step", 0.01, own).count).toBe(0.5);
    expect(countIn("shoe", 0.01, own).count).toBe(1);
    for (const unit of ["step", "bigStep", "shoe", "metre", "foot"] as const)
      for (const distance of [0.4, 1.3, 2.75, 6]) {
        const { count, metres } = countIn(unit, distance, own);
        const each = metres / count;
        expect(Math.abs(metres - distance)).toBeLessThanOrEqual(Math.max(each, 0.1) / 2 + 1e-9);
      }
  });
  it("is off by more the longer one counts, by the square root; a tape always by the same", () => {
    const at = (distance: number) => countIn("step", distance, own).error;
    expect(at(4 * own.step) / at(own.step)).toBeCloseTo(2, 9);
    expect(countIn("metre", 9, own).error).toBe(countIn("metre", 1, own).error);
  });
  it("takes the teacher's unit whatever it does to the hit rate, and says what it does", () => {
    const steep = (distance: number) => Math.max(0, 1 - distance / 2);
    const count = countOut(1.27, own, steep, "feet");
    expect(count).toMatchObject({ unit: "foot", count: 4 });
    expect(count.moved).toBeCloseTo(Math.abs(steep(4 * 0.3048) - steep(1.27)), 12);
    expect(countOut(1.27, own, steep, "bigSteps").unit).toBe("bigStep");
    expect(countOut(1.27, own, steep, "metres")).toMatchObject({ unit: "metre", count: 1.3 });
  });
  it("counts what no hit rate hangs on by steps or shoes, whichever ends nearer, shoes up to twelve", () => {
    expect(countPlain(2 * own.step, own)).toMatchObject({ unit: "step", count: 2 });
    expect(countPlain(own.shoe, own)).toMatchObject({ unit: "shoe", count: 1 });
    for (let d = 0.1; d < 8; d += 0.07) {
      const c = countPlain(d, own);
      if (c.unit === "shoe") expect(c.count).toBeLessThanOrEqual(12);
      expect(Math.abs(c.metres - d)).toBeLessThanOrEqual(Math.abs(countIn("step", d, own).metres - d) + 1e-12);
    }
    expect(countPlain(2, own, "metres").unit).toBe("metre");
  });
});
