import { describe, expect, it } from "vitest";
import { ACTIONS } from "../actions/actions.ts";
import { compileCard } from "../compile/card.ts";
import { rates } from "../forecast/for-activity.ts";
import { activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { patternNames } from "../patterns/registry.ts";
import { wholeMinutes } from "../plan/plan.ts";
import { inFull } from "../sample-size.test-utils.ts";
import { find, ready } from "./index.ts";
import { MIN_FOR_YOUNGEST, made, medianGo } from "./make.ts";
import { SKILLS, skillOf } from "./skills.ts";
import { specs } from "./specs.ts";

const all = ready.flatMap((eachReady) => [eachReady.activity, eachReady.youngest]);

describe("ready activities", () => {
  it("are what their specs give, and are whole documents", () => {
    expect(ready.map((eachReady) => eachReady.id)).toEqual(specs.map((spec) => spec.id));
    expect(new Set(ready.map((eachReady) => eachReady.activity.title)).size).toBe(ready.length);
    for (const eachActivity of all)
      expect(activity.safeParse(eachActivity).error?.issues ?? [], eachActivity.title).toEqual([]);
    for (const spec of specs.filter((_, i) => i % inFull(1, 12) === 0)) {
      const kept = ready.find((eachReady) => eachReady.id === spec.id)!;
      expect(kept.activity, spec.id).toEqual(made(spec, false));
      expect(kept.youngest, spec.id).toEqual(made(spec, true));
    }
  });

  it("are at least 24, for every skill and every pattern, each with an outcome, cues, criteria, a question and cautions", () => {
    expect(ready.length).toBeGreaterThanOrEqual(24);
    expect(new Set(ready.map((eachReady) => eachReady.activity.pattern.name))).toEqual(new Set(patternNames));
    expect(new Set(ready.map((eachReady) => eachReady.activity.aim.action))).toEqual(new Set(ACTIONS));
    for (const action of ACTIONS) expect(skillOf(action), action).not.toBeNull();
    for (const eachActivity of all) {
      expect(eachActivity.aim.outcome.length, eachActivity.title).toBeGreaterThan(10);
      expect(eachActivity.cues.length, eachActivity.title).toBeGreaterThanOrEqual(3);
      expect(eachActivity.criteria.length, eachActivity.title).toBeGreaterThanOrEqual(2);
      expect(eachActivity.question, eachActivity.title).toMatch(/\?$/);
      const age = Math.round((eachActivity.ages.from + eachActivity.ages.to) / 2);
      expect(
        compileCard(eachActivity, { age, leftHanded: false, step: null }).cautions.length,
        eachActivity.title,
      ).toBeGreaterThan(5);
    }
    for (const { activity: design, youngest: y } of ready)
      expect(y.ages.to, design.title).toBeLessThanOrEqual(design.ages.from);
  });

  it("give their middle child a chance inside the corridor at every probe that can miss", () => {
    for (const eachActivity of all) {
      const age = Math.round((eachActivity.ages.from + eachActivity.ages.to) / 2);
      const chances = rates(eachActivity, { age });
      for (const probe of opened(eachActivity).probes) {
        // A course always ends: only its time is a matter of skill. Against somebody like oneself about half is won.
        if (["course", "point", "goal", "bat"].includes(probe.ask.aim.kind)) continue;
        const rate = chances.get(probe.id)!;
        expect(rate, `${eachActivity.title}, ${age}: ${probe.id}`).toBeGreaterThanOrEqual(0.6);
        // Where it has to stand nearer for the youngest, it is easier for the others.
        const limited = Math.min(...rates(eachActivity, { age: eachActivity.ages.from }).values()) < 0.35;
        expect(rate, `${eachActivity.title}, ${age}: ${probe.id}`).toBeLessThanOrEqual(limited ? 0.95 : 0.8);
      }
    }
  });

  it("give their youngest child a quarter of the hits at least", () => {
    for (const eachActivity of all)
      for (const [id, rate] of rates(eachActivity, { age: eachActivity.ages.from }))
        expect(rate, `${eachActivity.title}, ${eachActivity.ages.from}: ${id}`).toBeGreaterThanOrEqual(
          MIN_FOR_YOUNGEST,
        );
  });

  it("state the minutes of their warm-up, their goes with a rest between them, and their cool-down", () => {
    for (const eachActivity of all.filter((_, i) => i % inFull(1, 5) === 0)) {
      const age = Math.round((eachActivity.ages.from + eachActivity.ages.to) / 2);
      expect(eachActivity.minutes, eachActivity.title).toBe(
        Math.ceil(wholeMinutes(eachActivity, age, medianGo(eachActivity), [])),
      );
      expect(eachActivity.warmUp!.length * eachActivity.coolDown!.length, eachActivity.title).toBeGreaterThan(0);
    }
  });

  it("stand where somebody can send at them: never at one's feet", () => {
    for (const eachActivity of all)
      for (const peg of opened(eachActivity).pegs)
        expect(peg.distance, `${eachActivity.title} ${peg.id}`).toBeGreaterThanOrEqual(0.7);
  });

  it("are found by skill, age, place, company, minutes and length, the version for the youngest where the class is younger", () => {
    const heron = { from: 6, to: 8 };
    const found = find({ skill: "throwing", ages: heron, indoors: true, alone: true });
    expect(found.length).toBeGreaterThanOrEqual(3);
    for (const { activity: design } of found) {
      expect(SKILLS.throwing as readonly string[]).toContain(design.aim.action);
      expect(design.space.indoors).toBe(true);
      expect(design.players.modes).toContain("alone");
      expect(design.ages.from).toBeLessThanOrEqual(7);
    }
    expect(find({}).length).toBe(ready.length);
    expect(find({ ages: { from: 5, to: 5 } }).every((eachFound) => eachFound.youngest)).toBe(true);
    expect(find({ alone: true }).some((eachFound) => eachFound.id === "catch-back")).toBe(false);
    expect(find({ minutes: 8 }).every((eachFound) => eachFound.activity.minutes <= 8)).toBe(true);
    expect(find({ length: 3 }).every((eachFound) => eachFound.activity.space.length <= 3)).toBe(true);
    for (const skill of Object.keys(SKILLS) as (keyof typeof SKILLS)[])
      expect(find({ skill }).length, skill).toBeGreaterThan(0);
  });
});
