import { describe, expect, it } from "vitest";
import type { ChildGo } from "#server/children/child.ts";
import { bestsOf, changesOf, marksOf, moodOf } from "./of-goes.ts";

const go = (title: string, value: number, more: object = {}, score: object = {}): ChildGo =>
  ({
    title,
    assignmentId: `of ${title} ${value}`,
    counts: true,
    reflection: { before: null, after: null },
    score: { value, unit: "points", finished: true, stage: 0, ...score },
    ...more,
  }) as unknown as ChildGo;

describe("what a child's page shows of its goes", () => {
  it("the best of each game that counts, as the game was sent", () => {
    const goes = [
      go("Roll", 4),
      go("Roll", 9),
      go("Roll", 30, { counts: false }),
      go("Roll", 20, {}, { set: { frames: 9 } }),
      go("Toss", 1),
    ];
    expect(bestsOf(goes).map((best) => [best.title, best.score, best.assignmentId])).toEqual([
      ["Roll", "9 points", "of Roll 9"],
      ["Toss", "1 point", "of Toss 1"],
    ]);
  });

  it("of a race the shortest time, and says where it was not finished", () => {
    const race = (value: number, finished: boolean) => go("Run", value, {}, { unit: "tenths", finished, stage: value });
    expect(bestsOf([race(400, true), race(325, true), race(100, false)])[0]).toMatchObject({ unfinished: false });
    expect(bestsOf([race(400, true), race(325, true)])[0]!.assignmentId).toBe("of Run 325");
    expect(bestsOf([race(100, false)])[0]).toMatchObject({ unfinished: true });
  });

  it("how each criterion was marked, oldest first, four marks back and none twice in a row", () => {
    const of = (mark: string) => ({ criteria: [{ text: "Steps forward", mark }] });
    const newestFirst = ["yes", "yes", "partly", "no", "yes", "no"].map(of);
    expect(marksOf(newestFirst)).toEqual([{ text: "Steps forward", marks: ["yes", "no", "partly", "yes"] }]);
    expect(marksOf([])).toEqual([]);
  });

  it("each change once, with its games", () => {
    const changed = (title: string, keys: string[]) => ({ title, changes: keys.map((key) => ({ key })) });
    const all = changesOf([changed("Roll", ["a"]), changed("Toss", ["a"]), changed("Roll", ["a"]), changed("Aim", [])]);
    expect(all.map((c) => c.games)).toEqual([["Roll", "Toss"]]);
  });

  it("how it felt, over the goes in which both were told", () => {
    const felt = (before: number | null, after: number | null) => ({
      reflection: { before, after } as ChildGo["reflection"],
    });
    expect(moodOf([felt(2, 4), felt(3, 5), felt(1, null), felt(null, 5)])).toEqual({
      before: 2.5,
      after: 4.5,
      goes: 2,
    });
    expect(moodOf([felt(1, null)])).toBeNull();
  });
});
