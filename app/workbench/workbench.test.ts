import { describe, expect, it } from "vitest";
import type { Knob } from "#core/contract/contract.ts";
import { layoutOf } from "#core/forecast/for-activity.ts";
import { type Activity, fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames, patternOf } from "#core/patterns/registry.ts";
import { countedBackFrom } from "#core/yard/parts.ts";
import { hasLabel } from "#words/teacher.ts";
import { getIn, setIn } from "./paths.ts";
import { planScale, WIDTH, zoomsOf } from "./scale.ts";
import { answerOf, STATIONS, stationName } from "./stations.ts";
import { everyNth, stepsText } from "./tape.tsx";

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
  it("shows the whole length and everything of the game first, then the whole court, then less and less", () => {
    const room = { wide: 700, tall: 262 };
    const wide = zoomsOf({ length: 4, width: 3 }, 0.5, room);
    expect([...wide.keys()]).toEqual([-1, 0, 1, 2, 3]);
    const at = (zoom: number) => planScale(4, 3, null, { room, k: wide.get(zoom)! });
    expect(at(0).x(4)).toBeCloseTo(686, 5);
    expect(at(0).width).toBe(700);
    expect(at(0).y(0.5) - at(0).y(-0.5)).toBeLessThan(room.tall);
    expect(at(-1).height).toBe(room.tall);
    expect(at(2).k).toBeCloseTo(2.25 * at(0).k, 5);
    expect(at(2).width).toBeGreaterThan(700);
    // Where the game fills the court there is nothing to go back from.
    expect([...zoomsOf({ length: 14, width: 4 }, 2, room).keys()]).toEqual([0, 1, 2, 3]);
    // A larger window gives a larger plan, as far as the court allows.
    expect(zoomsOf({ length: 4, width: 3 }, 0.5, { wide: 1320, tall: 540 }).get(0)).toBeCloseTo(308, 0);
  });
  it("numbers as many marks as there is room for", () => {
    expect([60, 30, 12, 7, 3].map((between) => everyNth(between, 40))).toEqual([1, 2, 5, 10, 20]);
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
