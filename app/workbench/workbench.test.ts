import { describe, expect, it } from "vitest";
import type { Knob } from "#core/contract/contract.ts";
import { layoutOf } from "#core/forecast/for-activity.ts";
import { type Activity, fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames, patternOf } from "#core/patterns/registry.ts";
import { countedBackFrom } from "#core/yard/parts.ts";
import { hasLabel } from "#words/teacher.ts";
import { getIn, setIn } from "./paths.ts";
import { planScale, WIDTH } from "./scale.ts";
import { answerOf, STATIONS, stationName } from "./stations.ts";
import { stepsText } from "./tape.tsx";

describe("places in a document", () => {
  it("are read and changed without touching the rest", () => {
    const doc = { a: [{ b: 1 }, { b: 2 }], c: { d: null as number | null } };
    const next = setIn(doc, ["a", 1, "b"], 5);
    expect(next).toEqual({ a: [{ b: 1 }, { b: 5 }], c: { d: null } });
    expect(doc.a[1]!.b).toBe(2);
    expect(next.a[0]).toBe(doc.a[0]);
    expect(next.c).toBe(doc.c);
    expect(getIn(next, ["a", 1, "b"])).toBe(5);
    expect(getIn(next, ["c", "d", "e"])).toBeUndefined();
  });
});

describe("plan and tape share one scale", () => {
  it.each(patternNames)(
    "%s: a peg and its part stand under each other, and a place on the tape leads back to its distance",
    (name) => {
      const activity = fromPattern(name);
      const parts = layoutOf(activity);
      const s = planScale(activity.space.length, activity.space.width, countedBackFrom(parts));
      expect(s.x(activity.space.length)).toBeLessThanOrEqual(WIDTH);
      for (const peg of opened(activity).pegs) {
        const part = parts.find((eachPart) => eachPart.id === peg.id);
        if (part && "along" in part) expect(s.xOf(peg.distance)).toBeCloseTo(s.x(part.along), 9);
        expect(s.distanceAt(s.xOf(peg.distance))).toBeCloseTo(peg.distance, 9);
      }
    },
  );
  it("runs back from the target where the line moves", () => {
    const activity = fromPattern("climb");
    const other = patternOf("climb")
      .knobs(activity.pattern.params)
      .find((knob) => knob.label === "knob.ladder")!;
    if (other.kind !== "choice") throw new Error("a choice was expected");
    const params = setIn(activity.pattern.params, other.path, other.options[1]!.value);
    const parts = layoutOf({ ...activity, pattern: { ...activity.pattern, params } } as Activity);
    const s = planScale(activity.space.length, activity.space.width, countedBackFrom(parts));
    expect(s.reversed).toBe(true);
    expect(s.xOf(1)).toBeGreaterThan(s.xOf(2));
    expect(s.distanceAt(s.xOf(1.7))).toBeCloseTo(1.7, 9);
  });
  it("fits a long yard and a square room into the same column, to scale", () => {
    for (const [length, width] of [
      [14, 4],
      [4, 4],
      [3, 1.5],
    ] as const) {
      const s = planScale(length, width, null);
      expect((s.x(1) - s.x(0)) / (s.y(1) - s.y(0))).toBeCloseTo(1, 9);
      expect(s.x(length)).toBeLessThanOrEqual(WIDTH);
    }
  });
  it("says steps in halves", () => {
    expect([stepsText(2.8, 0.5), stepsText(2.51, 0.5), stepsText(0.26, 0.5)]).toEqual(["5½", "5", "½"]);
  });
});

describe("stations", () => {
  it.each(patternNames)(
    "%s answers every station in a line, and everything it lets a teacher set has a name",
    (name) => {
      const activity = fromPattern(name);
      for (const station of STATIONS) {
        expect(answerOf(station, activity).length).toBeGreaterThan(3);
        expect(answerOf(station, activity)).not.toContain("[");
      }
      const game = opened(activity);
      const knobs: Knob[] = [...game.knobs(), ...game.pegs.flatMap((peg) => game.pegKnobs(peg.id))];
      const keys = knobs.flatMap((knob) => [
        knob.label,
        knob.hint,
        ...(knob.kind === "choice" ? knob.options.map((option) => option.label) : []),
        knob.kind === "number" ? knob.off?.label : undefined,
      ]);
      expect(keys.filter((key) => key !== undefined && !hasLabel(key))).toEqual([]);
      expect(hasLabel(`pattern.${name}`) && hasLabel(`pattern.${name}.how`)).toBe(true);
    },
  );
});

describe("hints", () => {
  it("speak only of stations that there are", async () => {
    const { enTeacher } = await import("#words/en-teacher.ts");
    const { labels } = await import("#words/teacher.ts");
    const known = STATIONS.map((station) => stationName[station]);
    for (const [key, words] of [...Object.entries(labels), ...Object.entries(enTeacher)])
      for (const [, name] of words.matchAll(/station ([A-Z]\w+)/g))
        expect([key, known.includes(name as never)]).toEqual([key, true]);
  });
});
