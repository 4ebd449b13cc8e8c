import { describe, expect, it } from "vitest";
import { exerciseOf, exercises, timeOf } from "../exercises/library.ts";
import { planFor, REST } from "./plan.ts";

const go = { minutes: 4, moving: 0.6 };

describe("a time plan", () => {
  it.each([10, 15, 20, 30, 45])("fills %i minutes: warm-up, whole goes, cool-down, nothing over", (minutes) => {
    for (const age of [5, 7, 9, 11]) {
      const timePlan = planFor(age, minutes, go);
      expect(timePlan.over).toBe(0);
      expect(timePlan.minutes).toBeLessThanOrEqual(minutes + 1e-9);
      // Less than a go and its rest is left, and no more than the exercises could not fill.
      expect(minutes - timePlan.minutes).toBeLessThan(go.minutes + REST);
      expect(timePlan.warmUp.length).toBeGreaterThan(0);
      expect(timePlan.coolDown.length).toBeGreaterThan(0);
      expect(timePlan.before).toBeCloseTo(timeOf(timePlan.warmUp, age).seconds / 60, 9);
      expect(timePlan.minutes).toBeCloseTo(timePlan.before + timePlan.game + timePlan.after, 9);
      expect(timePlan.active).toBeLessThan(timePlan.minutes);
      expect(new Set([...timePlan.warmUp, ...timePlan.coolDown]).size).toBe(
        timePlan.warmUp.length + timePlan.coolDown.length,
      );
      for (const id of timePlan.coolDown) expect(["stretch", "balance"]).toContain(exerciseOf(id)!.kind);
    }
  });
  it("more minutes are more goes, and never fewer", () => {
    const rounds = Array.from({ length: 50 }, (_, i) => planFor(8, 8 + i, go).rounds);
    for (let i = 1; i < rounds.length; i++) expect(rounds[i]).toBeGreaterThanOrEqual(rounds[i - 1]! - 1);
    expect(rounds[49]).toBeGreaterThan(rounds[0]! + 5);
  });
  it("a game that is too long is planned once and says how much over it is", () => {
    const timePlan = planFor(8, 5, { minutes: 9, moving: 0.5 });
    expect(timePlan.rounds).toBe(1);
    expect(timePlan.over).toBeCloseTo(timePlan.minutes - 5, 9);
    expect(timePlan.over).toBeGreaterThan(4);
    expect(() => planFor(8, 0, go)).toThrow("minutes");
  });
  it("is quiet where that is asked for, and fetches nothing", () => {
    for (const id of [...planFor(9, 40, go, { quiet: true }).warmUp, ...planFor(9, 40, go, { quiet: true }).coolDown])
      expect(exercises.find((exercise) => exercise.id === id)).toMatchObject({ quiet: true, thing: null });
  });
});
