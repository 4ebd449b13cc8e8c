import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { PlayScore } from "./play.ts";
import { beatsMark, bestAlike, bestBy, rankOf, settingOf } from "./rank.ts";
import { clockText, readScore } from "./score-text.ts";

const score = (over: object) => ({ unit: "tenths" as const, value: 0, finished: false, stage: 0, ...over });

describe("rank", () => {
  it("puts a time from paper and a time from a device side by side, and never below nought", () => {
    const fast = score({ value: 325, finished: true });
    const slow = score({ value: 400, finished: true });
    const far = score({ value: 900, stage: 4 });
    const near = score({ value: 100, stage: 1 });
    expect([near, slow, far, fast].sort((a, b) => rankOf(b) - rankOf(a))).toEqual([fast, slow, far, near]);
    fc.assert(
      fc.property(
        fc.constantFrom("points", "sends", "tenths"),
        fc.nat(1_000_000),
        fc.boolean(),
        fc.nat(100),
        (unit, value, finished, stage) => {
          expect(rankOf({ unit, value, finished, stage } as never)).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
  it("names the earliest of equals best, and none of none", () => {
    const a = { id: 1, s: score({ unit: "points", value: 7 }) };
    const b = { id: 2, s: score({ unit: "points", value: 7 }) };
    expect(bestBy([a, b], (x) => x.s)?.id).toBe(1);
    expect(bestBy([], (x: typeof a) => x.s)).toBeNull();
  });
  it("compares like with like: as sent where there is one, else as the latest was set", () => {
    const go = (id: number, value: number, set?: Record<string, number>) => ({
      id,
      s: { unit: "points", value, finished: true, stage: 0, ...(set && { set }) } as PlayScore,
    });
    const of = (x: ReturnType<typeof go>) => x.s;
    const [few, more, most] = [go(1, 20, { a: 3 }), go(2, 30, { a: 5, b: 1 }), go(3, 25, { b: 1, a: 5 })];
    expect(settingOf(more.s)).toBe(settingOf(most.s));
    expect(bestAlike([few, more, most], of)?.id).toBe(2);
    expect(bestAlike([more, few], of)?.id).toBe(1);
    expect(bestAlike([more, go(4, 2), few], of)?.id).toBe(4);
    expect(bestAlike([], of)).toBeNull();
  });
  it("beats a mark by more points, or by fewer sends only at the end", () => {
    expect(beatsMark({ unit: "points", value: 46, finished: false }, 45)).toBe(true);
    expect(beatsMark({ unit: "points", value: 45, finished: false }, 45)).toBe(false);
    expect(beatsMark({ unit: "sends", value: 3, finished: false }, 12)).toBe(false);
    expect(beatsMark({ unit: "sends", value: 11, finished: true }, 12)).toBe(true);
    expect(beatsMark({ unit: "sends", value: 11, finished: true }, null)).toBe(false);
  });
});

describe("scores as people write them", () => {
  it.each([
    ["45", "points", 45],
    ["45 points", "points", 45],
    ["1 point", "points", 1],
    [" 12 sends ", "sends", 12],
    ["0:32.5", "tenths", 325],
    ["32,5", "tenths", 325],
    ["1:02", "tenths", 620],
    ["75 s", "tenths", 750],
    ["12 sends", "points", null],
    ["45 points", "tenths", null],
    ["1:75", "tenths", null],
    ["32.55", "tenths", null],
    ["-3", "points", null],
    ["1e3", "points", null],
    ["", "sends", null],
  ] as const)("%j in %s is %s", (text, unit, value) => {
    expect(readScore(text, unit)).toBe(value);
  });
  it("times read back as they are shown", () => {
    fc.assert(
      fc.property(fc.nat(599_999), (t) => {
        expect(readScore(clockText(t), "tenths")).toBe(t);
      }),
    );
    expect([clockText(325), clockText(600), clockText(9)]).toEqual(["0:32.5", "1:00.0", "0:00.9"]);
  });
});
