import { describe, expect, it } from "vitest";
import type { Knob } from "#core/contract/contract.ts";
import { type Activity, fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { changeName } from "./change-name.ts";
import { setIn } from "./paths.ts";
import { isChanged, usualOf, usualValue } from "./usual.ts";

const knobsOf = (activity: Activity) => opened(activity).knobs();
const changedIn = (activity: Activity) => knobsOf(activity).filter((knob) => isChanged(knob, activity));
const set = (activity: Activity, knob: Knob, value: unknown): Activity =>
  knob.of === "match"
    ? { ...activity, match: setIn(activity.match, knob.path, value) }
    : ({
        ...activity,
        pattern: { ...activity.pattern, params: setIn(activity.pattern.params, knob.path, value) },
      } as Activity);
const knobIn = (activity: Activity, label: string) => knobsOf(activity).find((knob) => knob.label === label)!;

describe("settings that are not as their game comes", () => {
  it.each(patternNames)(
    "%s comes without any, and every number and switch that is changed is one and goes back",
    (name) => {
      const activity = fromPattern(name);
      expect(changedIn(activity)).toEqual([]);
      const settings = knobsOf(activity).filter((knob) => knob.kind === "toggle" || knob.kind === "number");
      expect(settings.length).toBeGreaterThan(0);
      for (const knob of settings) {
        const usual = usualValue(knob, usualOf(name));
        const other = knob.kind === "number" ? (usual === knob.least ? knob.least + knob.step : knob.least) : !usual;
        const next = set(activity, knob, other);
        expect(isChanged(knob, next), knob.label).toBe(true);
        expect(isChanged(knob, set(next, knob, usual)), knob.label).toBe(false);
      }
    },
  );

  it("finds a choice by its name, because its value holds what else is set", () => {
    const climb = fromPattern("climb");
    const order = knobIn(climb, "knob.ladder");
    if (order.kind !== "choice") throw new Error("a choice was expected");
    // A target was moved, so that no value of the choice is as it came; the choice itself is.
    const moved = opened(climb).move("t1", { along: 1.1 });
    expect(isChanged(knobIn(moved, "knob.ladder"), moved)).toBe(false);
    const other = set(climb, order, order.options[1]!.value);
    expect(isChanged(knobIn(other, "knob.ladder"), other)).toBe(true);
  });

  it("compares a time limit that is off, too", () => {
    const climb = fromPattern("climb");
    const limit = knobIn(climb, "knob.timeLimit");
    expect(usualValue(limit, usualOf("climb"))).toBeNull();
    expect(isChanged(limit, set(climb, limit, 90))).toBe(true);
  });
});

describe("what a step of the history is called", () => {
  const climb = fromPattern("climb");
  it.each<[string, (activity: Activity) => Activity]>([
    ["title", (a) => ({ ...a, title: "Another" })],
    ["outcome", (a) => ({ ...a, aim: { ...a.aim, outcome: "Rolls straight" } })],
    ["move of target 2", (a) => opened(a).move("t2", { along: 2.6 })],
    ["new target", (a) => opened(a).add()!],
    ["removed target", (a) => opened(a).remove("t3")!],
    ["time limit", (a) => set(a, knobIn(a, "knob.timeLimit"), 60)],
    ["items", (a) => ({ ...a, kit: { ...a.kit, send: "softBall" } })],
    ["players", (a) => ({ ...a, players: { ...a.players, most: 2 } })],
    ["space", (a) => ({ ...a, space: { ...a.space, length: 9 } })],
  ])("%s", (name, change) => {
    expect(changeName(climb, change(climb))).toBe(name);
  });
});
