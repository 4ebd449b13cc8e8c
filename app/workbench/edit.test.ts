import { describe, expect, it } from "vitest";
import { type Activity, activity, fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { partsOf } from "#core/yard/parts.ts";
import { arrange, arrangeAs, moveTogether, placeAll, snapped, snappedTurn, widen } from "./edit.ts";

const climb = fromPattern("climb");
const targets = (givenActivity: Activity) => partsOf(opened(givenActivity).parts, "target");
const at = (givenActivity: Activity, id: string) => targets(givenActivity).find((target) => target.id === id)!;
const ids = targets(climb).map((target) => target.id);

describe("editing the yard by hand", () => {
  it("snaps to 10 cm, to half steps, to whole centimetres, and turns to 15 or single degrees", () => {
    expect(snapped(1.234, "tens", 0.5, false)).toBeCloseTo(1.2, 9);
    expect(snapped(1.234, "steps", 0.5, false)).toBeCloseTo(1.25, 9);
    expect(snapped(1.234, "steps", 0.5, true)).toBeCloseTo(1.23, 9);
    expect(snappedTurn(0.27, false)).toBeCloseTo(Math.PI / 12, 9);
    expect(snappedTurn(0.27, true)).toBeCloseTo((15 * Math.PI) / 180, 9);
    expect(snappedTurn(Math.PI + 0.5, false)).toBeLessThan(0);
  });
  it("moves a selection as one, and one that is not in it alone", () => {
    const moved = moveTogether(climb, ["t1", "t2"], "t1", { along: 1.6, across: -0.46 });
    expect(at(moved, "t1")).toMatchObject({ along: 1.6, across: -0.46 });
    expect(at(moved, "t2").along).toBeCloseTo(at(climb, "t2").along + 0.2, 9);
    expect(at(moved, "t2").across).toBeCloseTo(at(climb, "t2").across + 0.1, 9);
    expect(at(moved, "t3")).toEqual(at(climb, "t3"));
    const alone = moveTogether(climb, ["t1", "t2"], "t3", { along: 3, across: 0 });
    expect(at(alone, "t2")).toEqual(at(climb, "t2"));
  });
  it("moves a selection only as far as all of it can go, so that none comes to stand on another", () => {
    const near = moveTogether(climb, ids, "t1", { along: -5, across: -50 });
    const [first, ...others] = ids.map((id) => ({ was: at(climb, id), is: at(near, id) }));
    expect(Math.min(...ids.map((id) => at(near, id).along))).toBeCloseTo(0.3, 2);
    expect(Math.min(...ids.map((id) => at(near, id).across))).toBeCloseTo(-10, 2);
    for (const { was, is } of others) {
      expect(is.along - first!.is.along).toBeCloseTo(was.along - first!.was.along, 2);
      expect(is.across - first!.is.across).toBeCloseTo(was.across - first!.was.across, 2);
    }
    expect(opened(near).pattern.params.safeParse(near.pattern.params).success).toBe(true);
  });
  it("gives back the very same activity where nothing changes, so that undo has no empty steps", () => {
    expect(placeAll(climb, new Map([["t1", at(climb, "t1")]]))).toBe(climb);
    expect(widen(climb, "t1", at(climb, "t1").width)).toBe(climb);
  });
  it("aligns, spreads, turns and mirrors", () => {
    const same = (f: (id: string) => number) => Math.max(...ids.map(f)) - Math.min(...ids.map(f));
    const far = arrange(climb, ids, "sameDistance");
    expect(same((id) => at(far, id).along)).toBeLessThan(0.011);
    const line = arrange(climb, ids, "sameSide");
    expect(same((id) => at(line, id).across)).toBeLessThan(0.011);
    expect(ids.every((id) => at(arrange(climb, ids, "ahead"), id).across === 0)).toBe(true);
    const even = targets(arrange(climb, ids, "evenDistances")).map((target) => target.along);
    for (let i = 2; i < even.length; i++) expect(even[i]! - even[i - 1]!).toBeCloseTo(even[1]! - even[0]!, 1);
    const sides = targets(arrange(climb, ids, "evenSides"))
      .map((target) => target.across)
      .sort((x, y) => x - y);
    for (let i = 2; i < sides.length; i++) expect(sides[i]! - sides[i - 1]!).toBeCloseTo(sides[1]! - sides[0]!, 1);
    const mirrored = arrange(climb, ids, "mirror");
    expect(ids.every((id) => Math.abs(at(mirrored, id).across + at(climb, id).across) < 1e-9)).toBe(true);
    // After turns there and back it is as before, within the centimetre to which pegs are rounded.
    const back = arrange(arrange(climb, ids, "turnLeft"), ids, "turnRight");
    for (const id of ids) {
      expect(at(back, id).along).toBeCloseTo(at(climb, id).along, 1);
      expect(at(back, id).across).toBeCloseTo(at(climb, id).across, 1);
    }
  });
  it("puts the game's own targets into the places of a layout, all of them, nearest first", () => {
    for (const name of ["row", "scattered", "around", "pins"] as const) {
      const design = arrangeAs(climb, name);
      expect(targets(design)).toHaveLength(5);
      const wide = { ...design, space: { ...design.space, length: 9, width: 4 } };
      expect(activity.safeParse(wide).error?.issues ?? [], name).toEqual([]);
    }
    const row = targets(arrangeAs(climb, "row")).map((target) => target.along);
    expect(row).toEqual([1.2, 1.9, 2.6, 3.3, 4]);
  });
  it("widens within what the pattern allows", () => {
    expect(at(widen(climb, "t5", 0.3), "t5").width).toBe(0.3);
    expect(at(widen(climb, "t5", -4), "t5").width).toBeGreaterThan(0);
    expect(widen(fromPattern("bands"), "b1", 0.3)).toEqual(fromPattern("bands"));
  });
});
