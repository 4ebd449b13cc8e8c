import { describe, expect, it } from "vitest";
import { countOut, spreadOfCount } from "./count.ts";
import { stature } from "./stature.ts";
import { paces } from "./step.ts";

describe("measures", () => {
  it("takes stature from the table, linear between", () => {
    expect([stature(4), stature(7), stature(7.5), stature(15), stature("adult"), stature(3)]).toEqual([
      1.03, 1.22, 1.245, 1.66, 1.7, 1.03,
    ]);
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
    const steep = (d: number) => Math.max(0, 1 - d / 2);
    expect(countOut(0.6, own, steep)).toMatchObject({ unit: "shoe", count: 3 });
    expect(countOut(4.4, own, (d) => Math.max(0, 1 - d / 6)).unit).toBe("step");
  });
  it("knows how far one count spreads over a class", () => {
    const { from, to } = spreadOfCount(5.5, [paces(6), paces(8)]);
    expect(from).toBeCloseTo(2.6158, 4);
    expect(to).toBeCloseTo(2.86385, 4);
  });
});
