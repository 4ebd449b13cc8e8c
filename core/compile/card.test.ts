import { describe, expect, it } from "vitest";
import { mirrored } from "#core/aim/mirrored.ts";
import { starters } from "#core/aim/starters.ts";
import { pegRates } from "#core/forecast/for-activity.ts";
import { type Activity, activity, fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { stature } from "#core/measures/stature.ts";
import { MODEL_VERSION } from "#core/model.ts";
import { cautionsOf, compileCard } from "./card.ts";

const climb = fromPattern("climb");
const bands = fromPattern("bands");
const child = { age: 7, step: null, leftHanded: false };
const change = (givenActivity: Activity, over: Partial<Activity>): Activity =>
  activity.parse({ ...givenActivity, ...over });

describe("a card for one child", () => {
  it("counts every marker in the child's own steps, each within 3 points of hit rate, or in shoe lengths", () => {
    for (const eachActivity of [climb, bands])
      for (const age of [5, 7, 9, 13]) {
        const card = compileCard(eachActivity, { ...child, age });
        expect(card.step).toBeCloseTo(0.41 * stature(age), 12);
        expect(card.measured).toBe(false);
        for (const marker of card.markers) {
          expect(marker.count * 2).toBe(Math.round(marker.count * 2));
          if (marker.unit === "shoe") expect(marker.count).toBeLessThanOrEqual(12);
          const at = (metres: number) =>
            pegRates(opened(eachActivity).move(marker.id, { along: metres }), { age }).get(marker.id) ?? 0;
          const moved = Math.abs(at(marker.reached) - at(marker.metres));
          const nearestHalf = Math.abs(marker.reached - marker.metres) <= card.step / 4 + 1e-9;
          expect(
            moved <= 0.03 || nearestHalf || marker.unit === "shoe",
            `${eachActivity.title} ${age} ${marker.id}`,
          ).toBe(true);
        }
      }
  });

  it("names the model that its figures come from", () => {
    expect(compileCard(fromPattern("climb"), { age: 8, step: null, leftHanded: false }).model).toBe(MODEL_VERSION);
  });
  it("takes the step that the home has measured, and keeps the document as it was sent", () => {
    const card = compileCard(climb, { ...child, step: 0.6 });
    expect([card.step, card.measured]).toEqual([0.6, true]);
    expect(card.markers[0]!.count).toBeLessThan(compileCard(climb, child).markers[0]!.count);
    expect(card.activity).toEqual(climb);
  });

  it("gathers cautions from the action, the things and the space, each once", () => {
    const told = cautionsOf(climb);
    expect(new Set(told).size).toBe(told.length);
    expect(told).toEqual(
      expect.arrayContaining([
        "clearSpace",
        "nothingBreakable",
        "dryFloor",
        "shoesOrBareFeet",
        "doorShut",
        "grownUpYes",
        "steady",
      ]),
    );
    const outside = change(climb, { space: { ...climb.space, indoors: false, floor: "grass" } });
    expect(cautionsOf(outside)).toContain("roads");
    expect(cautionsOf(outside)).not.toContain("doorShut");
    const thrown = change(climb, { aim: { ...climb.aim, action: "underarmThrow" } });
    expect(cautionsOf(thrown)).toContain("ceiling");
    const heavy = { ...climb, kit: { ...climb.kit, send: "largeBall" } };
    expect(cautionsOf(heavy)).toContain("outdoorsOnly");
    expect(cautionsOf({ ...heavy, space: outside.space })).not.toContain("outdoorsOnly");
  });

  it("waits for a grown-up's yes where things or place ask for one", () => {
    expect(compileCard(climb, child).grownUp).toBe(true);
    expect(compileCard(bands, child).grownUp).toBe(false);
  });
});

describe("starter texts", () => {
  it("turn left and right round for uses the other hand, and only those", () => {
    expect(mirrored("Step with the left foot, right hand low. Leftovers stay.")).toBe(
      "Step with the right foot, left hand low. Leftovers stay.",
    );
    for (const starter of Object.values(starters))
      for (const cue of starter.cues) expect(mirrored(mirrored(cue))).toBe(cue);
  });
  it("give every action an outcome, cues and criteria of a length that the document takes", () => {
    for (const starter of Object.values(starters)) {
      expect(starter.outcomes.length).toBeGreaterThan(0);
      expect(starter.cues.length).toBeGreaterThanOrEqual(3);
      expect(starter.cues.length).toBeLessThanOrEqual(6);
      expect(starter.criteria.length).toBeGreaterThanOrEqual(2);
    }
  });
});
