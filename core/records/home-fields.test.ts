import { describe, expect, it } from "vitest";
import { homeAnswers, homeSpace, NOTHING_SAID } from "./home.ts";
import { answersFrom, fromSteps, GROWN_STEP, kitFrom, spaceFrom, toSteps, USUAL_SPACE } from "./home-fields.ts";

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
