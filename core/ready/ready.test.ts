import { describe, expect, it } from "vitest";
import { ACTIONS } from "../actions/actions.ts";
import { compileCard } from "../compile/card.ts";
import { rates } from "../forecast/for-activity.ts";
import { activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { patternNames } from "../patterns/registry.ts";
import { wholeMinutes } from "../plan/plan.ts";
import { find, ready } from "./index.ts";
import { MIN_FOR_YOUNGEST, made, medianGo } from "./make.ts";
import { SKILLS, skillOf } from "./skills.ts";
import { specs } from "./specs.ts";

const all = ready.flatMap((r) => [r.activity, r.youngest]);

describe("ready activities", () => {
  it("are what their specs give, and are whole documents", () => {
    expect(ready.map((r) => r.id)).toEqual(specs.map((s) => s.id));
    expect(new Set(ready.map((r) => r.activity.title)).size).toBe(ready.length);
    for (const a of all) expect(activity.safeParse(a).error?.issues ?? [], a.title).toEqual([]);
    for (const s of specs.filter((_, i) => i % 6 === 0)) {
      const kept = ready.find((r) => r.id === s.id)!;
      expect(kept.activity, s.id).toEqual(made(s, false));
      expect(kept.youngest, s.id).toEqual(made(s, true));
    }
  });

  it("are at least 24, for every skill and every pattern, each with an outcome, cues, criteria, a question and cautions", () => {
    expect(ready.length).toBeGreaterThanOrEqual(24);
    expect(new Set(ready.map((r) => r.activity.pattern.name))).toEqual(new Set(patternNames));
    expect(new Set(ready.map((r) => r.activity.aim.action))).toEqual(new Set(ACTIONS));
    for (const action of ACTIONS) expect(skillOf(action), action).not.toBeNull();
    for (const a of all) {
      expect(a.aim.outcome.length, a.title).toBeGreaterThan(10);
      expect(a.cues.length, a.title).toBeGreaterThanOrEqual(3);
      expect(a.criteria.length, a.title).toBeGreaterThanOrEqual(2);
      expect(a.question, a.title).toMatch(/\?$/);
      const age = Math.round((a.ages.from + a.ages.to) / 2);
      expect(compileCard(a, { age, leftHanded: false, step: null }).cautions.length, a.title).toBeGreaterThan(5);
    }
    for (const { activity: a, youngest: y } of ready) expect(y.ages.to, a.title).toBeLessThanOrEqual(a.ages.from);
  });

  it("give their middle child a chance inside the corridor at every probe that can miss", () => {
    for (const a of all) {
      const age = Math.round((a.ages.from + a.ages.to) / 2);
      const chances = rates(a, { age });
      for (const p of opened(a).probes) {
        // A course always ends: only its time is a matter of skill. Against somebody like oneself about half is won.
        if (["course", "point", "goal", "bat"].includes(p.ask.aim.kind)) continue;
        const rate = chances.get(p.id)!;
        expect(rate, `${a.title}, ${age}: ${p.id}`).toBeGreaterThanOrEqual(0.6);
        // Where it has to stand nearer for the youngest, it is easier for the others.
        const limited = Math.min(...rates(a, { age: a.ages.from }).values()) < 0.35;
        expect(rate, `${a.title}, ${age}: ${p.id}`).toBeLessThanOrEqual(limited ? 0.95 : 0.8);
      }
    }
  });

  it("give their youngest child a quarter of the hits at least", () => {
    for (const a of all)
      for (const [id, rate] of rates(a, { age: a.ages.from }))
        expect(rate, `${a.title}, ${a.ages.from}: ${id}`).toBeGreaterThanOrEqual(MIN_FOR_YOUNGEST);
  });

  it("state the minutes of their warm-up, their goes with a rest between them, and their cool-down", () => {
    for (const a of all) {
      const age = Math.round((a.ages.from + a.ages.to) / 2);
      expect(a.minutes, a.title).toBe(Math.ceil(wholeMinutes(a, age, medianGo(a), [])));
      expect(a.warmUp!.length * a.coolDown!.length, a.title).toBeGreaterThan(0);
    }
  });

  it("stand where somebody can send at them: never at one's feet", () => {
    for (const a of all)
      for (const p of opened(a).pegs) expect(p.distance, `${a.title} ${p.id}`).toBeGreaterThanOrEqual(0.7);
  });

  it("are found by skill, age, place, company, minutes and length, the version for the youngest where the class is younger", () => {
    const heron = { from: 6, to: 8 };
    const found = find({ skill: "throwing", ages: heron, indoors: true, alone: true });
    expect(found.length).toBeGreaterThanOrEqual(3);
    for (const { activity: a } of found) {
      expect(SKILLS.throwing as readonly string[]).toContain(a.aim.action);
      expect(a.space.indoors).toBe(true);
      expect(a.players.modes).toContain("alone");
      expect(a.ages.from).toBeLessThanOrEqual(7);
    }
    expect(find({}).length).toBe(ready.length);
    expect(find({ ages: { from: 5, to: 5 } }).every((f) => f.youngest)).toBe(true);
    expect(find({ alone: true }).some((f) => f.id === "catch-back")).toBe(false);
    expect(find({ minutes: 8 }).every((f) => f.activity.minutes <= 8)).toBe(true);
    expect(find({ length: 3 }).every((f) => f.activity.space.length <= 3)).toBe(true);
    for (const skill of Object.keys(SKILLS) as (keyof typeof SKILLS)[])
      expect(find({ skill }).length, skill).toBeGreaterThan(0);
  });
});
