import { describe, expect, it } from "vitest";
import { compileCard } from "../compile/card.ts";
import { activity, fromPattern, parseActivity } from "../formats/activity.ts";
import { CAUTIONS } from "../items/cautions.ts";
import { doseAt, exerciseNamed, exerciseOf, exercises, forCard, KINDS, secondsAt, timeOf } from "./library.ts";
import { ownExercise } from "./own.ts";

const words = (text: string) => text.split(/\s+/).length;

describe("the library of short exercises", () => {
  it("has at least 40, each drawn twice, with a dose for each age, three short cues, an easier, a harder and a seated form", () => {
    expect(exercises.length).toBeGreaterThanOrEqual(40);
    expect(new Set(exercises.map((exercise) => exercise.id)).size).toBe(exercises.length);
    expect(new Set(exercises.map((exercise) => exercise.name)).size).toBe(exercises.length);
    for (const kind of KINDS)
      expect(exercises.filter((exercise) => exercise.kind === kind).length, kind).toBeGreaterThanOrEqual(4);
    for (const exercise of exercises) {
      const [young, middle, older] = exercise.dose;
      expect(young <= middle && middle <= older && middle > 0, exercise.id).toBe(true);
      expect(
        exercise.cues.every((cue) => words(cue) <= 6),
        exercise.id,
      ).toBe(true);
      expect(new Set([exercise.easier, exercise.harder, exercise.seated]).size, exercise.id).toBe(3);
      for (const pose of exercise.poses)
        expect(
          pose.every((a) => Math.abs(a) <= 200),
          exercise.id,
        ).toBe(true);
      expect(JSON.stringify(exercise.poses[0]), exercise.id).not.toBe(JSON.stringify(exercise.poses[1]));
      expect(secondsAt(exercise, 12), exercise.id).toBeLessThanOrEqual(60);
      expect(exercise.room).toBeGreaterThanOrEqual(1);
      // What jumps is heard below, and lands.
      if (exercise.kind === "jump")
        expect(exercise.quiet || !["jumping", "spinning"].includes(exercise.caution ?? "")).toBe(false);
    }
  });

  it("gives as much as is for an age, and nothing where it is not for that age yet", () => {
    const jump = exerciseOf("tuckJump")!;
    expect([5, 6, 7, 9, 10, 14].map((age) => doseAt(jump, age))).toEqual([0, 0, 4, 4, 8, 8]);
    expect(forCard(["tuckJump"], 5)).toEqual({ list: [], cautions: [] });
    expect(forCard(["tuckJump", "squat"], 8).cautions).toEqual(["softLanding", "softKnees"]);
    expect(exerciseNamed(" Star Jumps ")!.id).toBe("starJump");
    expect(exerciseNamed("flying")).toBeNull();
  });

  it("counts seconds and the share of moving: what is held or stretched is still", () => {
    // 10 star jumps of 1.2 s; 15 s on one leg; 5 s between.
    const { seconds, moving } = timeOf(["starJump", "oneLeg"], 8);
    expect(moving).toBeCloseTo(12, 9);
    expect(seconds).toBeCloseTo(12 + 15 + 2 * 5, 9);
    expect(timeOf(["tuckJump"], 5)).toEqual({ seconds: 0, moving: 0 });
  });

  it("stands on the card before and after the game, with its cautions", () => {
    const design = activity.parse({
      ...fromPattern("climb"),
      warmUp: ["starJump", "tuckJump"],
      coolDown: ["reachToes"],
    });
    const card = compileCard(design, { age: 6, leftHanded: false, step: null });
    expect(card.warmUp!.map((cardExercise) => [cardExercise.id, cardExercise.dose])).toEqual([["starJump", 6]]);
    expect(card.coolDown!.map((cardExercise) => cardExercise.name)).toEqual(["reach for the toes"]);
    expect(card.cautions).toEqual(expect.arrayContaining(["softLanding", "flatBack"]));
    expect(new Set(card.cautions).size).toBe(card.cautions.length);
    for (const caution of card.cautions) expect(CAUTIONS).toContain(caution);
    const read = parseActivity({ ...design, warmUp: ["handstand"] });
    expect(read.ok ? [] : read.problems.map((problem) => problem.message)).toEqual([
      "warm-up must come from the library of exercises, or from your own",
    ]);
    expect(parseActivity({ ...design, coolDown: exercises.slice(0, 7).map((exercise) => exercise.id) }).ok).toBe(false);
  });
});

describe("an exercise of a school's own", () => {
  const { id: _, ...squat } = exerciseOf("squat")!;
  const own = ownExercise.parse({ ...squat, id: "ownWallSits", name: "wall sits", caution: "knees" });

  it("is found by id and name, and stands on the card with its caution", () => {
    expect(exerciseOf("ownWallSits")).toBeNull();
    expect(exerciseOf("ownWallSits", [own])?.name).toBe("wall sits");
    expect(exerciseNamed(" Wall Sits ", [own])?.id).toBe("ownWallSits");
    const a = { ...fromPattern("climb"), warmUp: ["ownWallSits"], exercises: [own] };
    expect(parseActivity(a).ok).toBe(true);
    expect(parseActivity({ ...a, exercises: [] }).ok).toBe(false);
    const card = compileCard(activity.parse(a), { age: 8, step: null, leftHanded: false } as never);
    expect(card.warmUp).toMatchObject([{ name: "wall sits", dose: doseAt(own, 8) }]);
    expect(card.cautions).toContain("softKnees");
    expect(timeOf(["ownWallSits"], 8, [own]).seconds).toBeGreaterThan(0);
  });

  it("is refused by the name of what is wrong with it", () => {
    const told = (change: object) => {
      const read = ownExercise.safeParse({ ...own, ...change });
      return read.success ? "" : read.error.issues[0]!.message;
    };
    expect(told({ name: " " })).toBe("name must not be empty");
    expect(told({ dose: [0, 0, 0] })).toContain("more than 0");
    expect(told({ dose: [Number.NaN, 1, 1] })).toContain("the amount for the youngest");
    expect(told({ id: "squat" })).toContain("id must start with own");
    expect(told({ each: 99 })).toBe("“seconds for one” must be 30 or less");
    expect(told({ cues: ["", "", ""] })).toBe("cue 1 must not be empty");
  });
});
