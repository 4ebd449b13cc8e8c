import { describe, expect, it } from "vitest";
import { areaOf } from "../yard/geometry.ts";
import { type HomeSpace, homeAnswers, homeSpace, NOTHING_SAID } from "./home.ts";
import {
  answersFrom,
  cellOf,
  cornersText,
  fromCells,
  fromSteps,
  GROWN_STEP,
  kitFrom,
  shapeOf,
  spaceFrom,
  standsText,
  toSteps,
  USUAL_SPACE,
} from "./home-fields.ts";

describe("the home survey's fields", () => {
  it("count things, leave out none, and keep what is not a number for the check to name", () => {
    expect(kitFrom({ "kit.bucket": "2", "kit.box": "", "kit.sock": "0", part: "things" })).toEqual({ bucket: 2 });
    for (const bad of ["-1", "1000", "2.5", "two"]) {
      const told = homeAnswers.safeParse({ ...NOTHING_SAID, kit: kitFrom({ "kit.bucket": bad }) });
      expect(told.success, bad).toBe(false);
      expect(told.error!.issues[0]!.message).toContain("how many");
    }
  });
  it("size a space in a grown-up's steps, and a kind alone is enough", () => {
    expect(GROWN_STEP).toBeCloseTo(0.41 * 1.7, 12);
    expect(spaceFrom({}, null)).toBeNull();
    expect(spaceFrom({ kind: "corridor" }, null)).toEqual({ kind: "corridor", ...USUAL_SPACE.corridor });
    const told = spaceFrom(
      {
        kind: "room",
        longSteps: "7",
        wideSteps: "3,5",
        floor: "carpet",
        indoorsAsked: "yes",
        indoors: "yes",
        ceiling: "usual",
      },
      null,
    );
    expect(told).toEqual({
      kind: "room",
      length: fromSteps(7),
      width: fromSteps(3.5),
      floor: "carpet",
      indoors: true,
      ceiling: 2.5,
    });
    expect(homeSpace.safeParse(told).success).toBe(true);
  });
  it("leave metres that were known as they were when the steps only repeat them", () => {
    const was = { kind: "yard", length: 14, width: 4, floor: "paving", indoors: false } as const;
    const again = spaceFrom({ kind: "yard", longSteps: String(toSteps(14)), wideSteps: "9" }, was)!;
    expect(again.length).toBe(14);
    expect(again.width).toBe(fromSteps(9));
  });
  it("say nothing of what was not asked", () => {
    expect(answersFrom("people", { players: "", quiet: "yes" }, { space: null })).toEqual({
      players: null,
      quiet: true,
      noBallsIndoors: false,
    });
    expect(answersFrom("things", {}, { space: null })).toEqual({ kit: {} });
  });
});

describe("a space of any shape, told in steps", () => {
  const fields = { kind: "room", longSteps: "6", wideSteps: "4", floor: "boards", indoorsAsked: "yes", indoors: "yes" };
  const read = (more: Record<string, string>, before: HomeSpace | null = null) =>
    homeSpace.safeParse(spaceFrom({ ...fields, ...more }, before));
  const message = (more: Record<string, string>) => {
    const r = read(more);
    return r.success ? "" : `${r.error.issues[0]!.path.join(".")}: ${r.error.issues[0]!.message}`;
  };

  it("is an L from the size of its missing corner, and knows itself again", () => {
    const r = read({ shape: "ell", cutLong: "2", cutWide: "1.5" });
    const space = r.data!;
    expect(space.outline).toHaveLength(6);
    expect(areaOf(space.outline!)).toBeCloseTo(space.length * space.width - 2 * 1.5 * GROWN_STEP ** 2, 1);
    expect(shapeOf(space)).toEqual({ shape: "ell", cutLong: 2, cutWide: 1.5 });
    // The same form again leaves it as it was, to the centimetre.
    expect(read({ shape: "ell", cutLong: "2", cutWide: "1.5" }, space).data).toEqual(space);
  });
  it("is a polygon from corners tapped anywhere, moved to begin at nought, with its length and width", () => {
    const corners = "1 1\n5 1\n5 3\n3 4\n1 3";
    const space = read({ shape: "own", corners }).data!;
    expect(space.outline![0]).toEqual({ x: 0, y: 0 });
    expect(space.length).toBeCloseTo(4 * GROWN_STEP, 1);
    expect(space.width).toBeCloseTo(3 * GROWN_STEP, 1);
    expect(shapeOf(space).shape).toBe("own");
    expect(read({ shape: "own", corners: cornersText(space.outline!) }, space).data).toEqual(space);
  });
  it("holds what stands there and other floors, and keeps both where a form does not ask", () => {
    const stands = "furniture 0 0 2 1\ndoor 3 0 1.5 0.5\ncarpet 2 2 2 2";
    const space = read({ shape: "plain", stands }).data!;
    expect(space.obstacles!.map((obstacle) => obstacle.kind)).toEqual(["furniture", "door"]);
    expect(space.floors).toEqual([{ floor: "carpet", x: 1.39, y: 1.39, width: 1.39, depth: 1.39 }]);
    expect(standsText(space)).toBe(stands);
    expect(read({}, space).data).toEqual(space);
    expect(read({ shape: "plain", stands: "" }, space).data!.obstacles).toBeUndefined();
    const { corners, stands: cell } = cellOf(space);
    expect(fromCells(corners, cell)).toEqual({ obstacles: space.obstacles, floors: space.floors });
  });
  it("names what is wrong: crossing sides, no area, too small, no number, an unknown thing", () => {
    expect(message({ shape: "own", corners: "0 0\n4 4\n4 0\n0 4" })).toContain("side 1 crosses side 3");
    expect(message({ shape: "own", corners: "0 0\n4 0" })).toContain("at least 3 corners");
    expect(message({ shape: "own", corners: "0 0\n0.5 0\n0.5 0.5" })).toContain("longer than one step, 0.7 m");
    expect(message({ shape: "own", corners: "0 0\n4 0\n2 0" })).toContain("0.3 square metres or more");
    expect(message({ shape: "own", corners: "0 0\n4 x\n2 3" })).toBe("outline.1.y: y must be a number of metres");
    expect(message({ shape: "plain", stands: "piano 0 0 1 1" })).toContain("an obstacle must be one of furniture");
    expect(message({ shape: "plain", stands: "door 0 0 1" })).toBe(
      "obstacles.0.depth: depth must be a number of metres",
    );
  });
  it("keeps slope and wind only where there is something to say", () => {
    expect(read({ slope: "gentle", wind: "still" }).data).toMatchObject({ slope: "gentle" });
    expect(read({ slope: "level", wind: "windy" }).data).not.toHaveProperty("slope");
    expect(message({ slope: "cliff" })).toContain("slope must be one of level, gentle, steep");
  });
});
