import { describe, expect, it } from "vitest";
import { looksAt } from "#server/assignments/looks.ts";
import type { ResultRow } from "#server/assignments/results.ts";
import { noticesOf } from "./notice.ts";

const go = (value: number, over: object = {}, counts = true) => ({
  playId: `p${value}`,
  corrected: null,
  counts,
  source: "device",
  setup: { players: 1 },
  score: { unit: "points", value, rank: value, finished: true, stopped: false, stage: 0, ...over },
});
const row = (child: string, over: Partial<Record<keyof ResultRow, unknown>> = {}) =>
  ({
    cardId: child,
    child,
    age: 7,
    openedAt: null,
    goes: [],
    best: null,
    unlikely: new Map(),
    checked: new Set(),
    ...over,
  }) as unknown as ResultRow;
const played = (child: string, ...goes: ReturnType<typeof go>[]) =>
  row(child, { openedAt: new Date(), goes, best: goes.find((eachGo) => eachGo.counts) ?? null });
const band = { low: 20, middle: 30, high: 40 };

describe("what stands out in results", () => {
  it("says who did not open, only opened, has nothing that counts, stopped, or came Well below the expected range", () => {
    expect(noticesOf(row("A"), band)).toEqual(["unopened"]);
    expect(noticesOf(row("B", { openedAt: new Date() }), band)).toEqual(["opened"]);
    expect(noticesOf(played("C", go(12, { stopped: true }, false)), band)).toEqual(["none", "stopped"]);
    expect(noticesOf(played("D", go(9)), band)).toEqual(["under"]);
    expect(noticesOf(played("E", go(11)), band)).toEqual([]);
    const slow = { unit: "tenths", better: "less" };
    expect(noticesOf(played("F", go(81, slow)), band)).toEqual(["under"]);
    expect(noticesOf(played("G", go(79, slow)), band)).toEqual([]);
    expect(noticesOf(played("H", go(9)), undefined)).toEqual([]);
    // Set otherwise by the family, it is not what was expected.
    expect(noticesOf(played("I", go(9, { set: { "params.frames": 3 } })), band)).toEqual([]);
  });
  it("marks for the teacher what is better than nearly all of an age, or faster than fetching", () => {
    const rare = { ...band, rare: 44 };
    expect(noticesOf(played("A", go(44)), rare)).toEqual(["look"]);
    expect(noticesOf(played("B", go(43)), rare)).toEqual([]);
    expect(looksAt(go(50) as never, { ...band, rare: null })).toEqual([]);
    expect(looksAt(go(20, { hurried: true }) as never, rare)).toEqual(["hurried"]);
    const quick = { unit: "tenths", better: "less" };
    expect(looksAt(go(19, quick) as never, { ...band, rare: 20 })).toEqual(["rare"]);
    expect(looksAt(go(21, quick) as never, { ...band, rare: 20 })).toEqual([]);
    expect(looksAt(go(20, { even: true }) as never, rare)).toEqual(["even"]);
    const unlikely = { play: "p20", goes: 2, tries: 24, hits: 24, expected: 15 };
    expect(looksAt(go(20) as never, rare, unlikely)).toEqual(["unlikely"]);
    expect(noticesOf({ ...played("A", go(20), go(21)), unlikely: new Map([["p20", unlikely]]) }, rare)).toEqual([
      "look",
    ]);
    expect(noticesOf({ ...played("A", go(21)), unlikely: new Map([["p20", unlikely]]) }, rare)).toEqual([]);
    // Played with others, set otherwise or not ended, it is compared with nothing; on paper it is.
    const others = { setup: { players: 2 } };
    expect(looksAt({ ...go(50), ...others } as never, rare)).toEqual([]);
    expect(looksAt({ ...go(50), ...others, source: "paper" } as never, rare)).toEqual(["rare"]);
    expect(looksAt(go(50, { set: { "params.frames": 3 } }) as never, rare)).toEqual([]);
    expect(looksAt(go(50, { stopped: true }) as never, rare)).toEqual([]);
  });
  it("a go that was taken back is none", () => {
    const back = { ...go(30), corrected: { score: null } } as never;
    expect(noticesOf(row("J", { openedAt: new Date(), goes: [back] }), band)).toEqual(["opened"]);
  });
  it("a go that the teacher has checked no longer stands out", () => {
    const rare = { ...band, rare: 44 };
    expect(noticesOf({ ...played("A", go(44)), checked: new Set(["p44"]) }, rare)).toEqual([]);
    expect(noticesOf({ ...played("A", go(44), go(45)), checked: new Set(["p44"]) }, rare)).toEqual(["look"]);
  });
});
