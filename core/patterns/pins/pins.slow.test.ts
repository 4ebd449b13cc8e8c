import { describe, expect, it } from "vitest";
import { hitChance } from "../../aim/hit.ts";
import { askOf } from "../../asks/ask.ts";
import type { Outcome, Sight } from "../../chances/kind.ts";
import { kindOf } from "../../chances/loaded-kinds.ts";
import { sightOf } from "../../chances/outcomes.ts";
import { isRefusal } from "../../contract/contract.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity, layoutOf, personOf } from "../../forecast/for-activity.ts";
import { type Activity, fromPattern } from "../../formats/activity.ts";
import { opened } from "../../formats/opened.ts";
import { reachChance } from "../../physics/send.ts";
import { normalDraw, random } from "../../random.ts";
import { inFull } from "../../sample-size.test-utils.ts";
import { pinFaced, pinRule } from "../../targets/pin.ts";
import { downSaid } from "../../targets/pin-knobs.ts";
import { DOWNS, pin } from "../../targets/pin-schema.ts";
import { spotsOf } from "./formation.ts";
import { pins as pattern } from "./index.ts";
import { SHAPES } from "./limits.ts";
import type { PinsParams } from "./schema.ts";

// What the object itself fells: pins that knock over pins have a reference of their own.
const base = { ...pattern.example.params, pinOnPin: false };
const rules = pattern.rules;
const alone = { players: 1, mode: "alone", seed: 1 } as const;
const with_ = (change: Partial<PinsParams>): Activity => {
  const activity = fromPattern("pins");
  return { ...activity, pattern: { name: "pins", params: pattern.params.parse({ ...base, ...change }) } };
};

/** Plays a script: `12` pins 1 and 2 fell, `-` none, `#4` four of them, `^` stood up. */
function play(change: Partial<PinsParams>, script: string) {
  let state = rules.start(pattern.params.parse({ ...base, ...change }), pattern.match.initial, alone);
  const refused: string[] = [];
  for (const word of script.split(" ").filter(Boolean)) {
    const after = rules.step(
      state,
      word === "^"
        ? { kind: "stand", at: 0 }
        : {
            kind: "send",
            at: 0,
            fell: word.startsWith("#")
              ? Number(word.slice(1))
              : word === "-"
                ? []
                : [...word].map((name) => `p${name}`),
          },
    );
    if (isRefusal(after)) refused.push(after.refused.key);
    else state = after;
  }
  return { s: state, refused, score: rules.score(state)[0]! };
}

describe("Number of pins", () => {
  it("gives points a pin, and the bonus for all of them on the first roll, which ends the frame", () => {
    expect(play({}, "12 3").score.value).toBe(6);
    expect(play({}, "123456").score.value).toBe(15);
    expect(askOf(rules.asks(play({}, "123456").s), "stand")).toBeDefined();
    // All down on a later roll ends the frame without it.
    const later = play({ rolls: 3 }, "12 3456");
    expect(later.score.value).toBe(12);
    expect(askOf(rules.asks(later.s), "stand")).toBeDefined();
    // Stood up between rolls: the frame goes on.
    const stood = play({ rolls: 3, standUp: true }, "12 ^ 123456 ^ 1");
    expect(stood.score.value).toBe(4 + 12 + 2);
    expect(stood.refused).toEqual([]);
  });
  it("ends after its frames, with the sum to read", () => {
    const { s: state, score } = play({ frames: 3 }, "12 - ^ 123456 ^ - #4");
    expect(score).toMatchObject({ value: 27, working: "4 + 12 {pins 6} + 3 {allAtOnce} + 8 = 27" });
    expect(rules.ending(state)!.reason).toEqual({ key: "pins.end", params: { frames: 3 } });
  });
  it("after a number only a number or all may follow until they are stood up; both tellings score alike", () => {
    expect(play({ rolls: 3 }, "#2 34").refused).toEqual(["refused.numberNow"]);
    expect(play({ rolls: 3 }, "#2 #1 #9").refused).toEqual(["refused.tooMany"]);
    expect(play({ rolls: 3 }, "#2 123").refused).toEqual(["refused.numberNow"]);
    for (const [taps, number] of [
      ["123456", "#6"],
      ["12 3", "#2 #1"],
      ["- 12", "#0 #2"],
    ] as const) {
      const [a, b] = [play({}, `${taps} ^`), play({}, `${number} ^`)];
      expect(a.refused).toEqual([]);
      expect(b.s).toEqual(a.s);
    }
    expect(play({}, "1 1").refused).toEqual(["refused.notStanding"]);
  });
  it("refuses a formation of one's own in which pins touch or stand outside, and says by how much in whole centimetres", () => {
    const change = { formation: { kind: "own", count: 3, depth: 0.6, width: 0.6 } } as const;
    const start = play(change, "").s;
    const lay = (spots: [number, number][]) =>
      rules.step(start, {
        kind: "arrange",
        at: 0,
        spots: spots.map(([along, across], i) => ({ id: `p${i + 1}`, along, across })),
      });
    expect(rules.asks(start)[0]!.kind).toBe("arrange");
    expect(
      isRefusal(
        lay([
          [2300, 0],
          [2500, 0],
          [2700, 0],
        ]),
      ),
    ).toBe(false);
    // Middles 8.4 cm apart, pins 8 cm wide: 0.4 cm between, 0.6 short of one, so 1 cm.
    expect(
      lay([
        [2300, 0],
        [2384, 0],
        [2700, 0],
      ]),
    ).toEqual({
      refused: { key: "refused.pinsTouch", params: { one: "1", other: "2", cm: 1 } },
    });
    expect(
      lay([
        [2300, 0],
        [2390, 0],
        [2700, 0],
      ]),
    ).not.toHaveProperty("refused");
    expect(
      lay([
        [2225, 0],
        [2500, 0],
        [2700, 0],
      ]),
    ).toEqual({
      refused: { key: "refused.pinOutside", params: { pin: "1", cm: 2 } },
    });
    expect(
      lay([
        [2300, 0],
        [2500, 0],
      ]),
    ).toMatchObject({ refused: { key: "refused.allPins" } });
  });
  it("says whether a gap seen from the line lets what is rolled pass", () => {
    const told = (gap: number, shape: "row" | "triangle") =>
      pattern.advice!({ ...base, formation: { kind: "given", shape, count: 6, gap } }, 0.08).map(
        (phrase) => phrase.key,
      );
    expect(told(0.12, "row")).toEqual(["pins.gap.lets"]);
    expect(told(0.12, "triangle")).toEqual(["pins.gap.none"]);
  });
  it("lays every shape of every number inside itself, none touching", () => {
    for (const shape of SHAPES)
      for (let count = 3; count <= 15; count++) {
        const spots = spotsOf({ ...base, formation: { kind: "given", shape, count, gap: 0.01 } });
        expect(spots).toHaveLength(count);
        expect(Math.min(...spots.map((spot) => spot.along))).toBeCloseTo(base.distance, 9);
        for (const [i, spot] of spots.entries())
          for (const eachSpot of spots.slice(i + 1))
            expect(
              Math.hypot(spot.along - eachSpot.along, spot.across - eachSpot.across) - base.pin.width,
            ).toBeGreaterThan(0.01 - 1e-9);
      }
  });
});

/** Chances of what falls in an activity, all standing. */
function chances(activity: Activity, age = 7): { list: Outcome[]; sight: Sight; aim: number } {
  const [probe] = opened(activity).probes;
  const sight = sightOf(probe!.ask, {
    parts: layoutOf(activity),
    people: [personOf(activity, { age })],
    policy: "middle",
  });
  const { list, across, distance } = kindOf(probe!.ask.aim).outcomes(probe!.ask.aim, sight);
  return { list, sight, aim: across / distance };
}

describe("what falls", () => {
  const ROLLS = inFull(2e6, 2e5);
  it.each(["triangle", "row", "diamond"] as const)(
    "rolled at a %s, is what rolls drawn one by one fell, within four standard errors",
    (shape) => {
      const activity = with_({ formation: { kind: "given", shape, count: 6, gap: 0.12 } });
      const { list, sight, aim } = chances(activity);
      const { spread, object, sending } = sight.person.sends({});
      const spots = [...spotsOf(activity.pattern.params as PinsParams)].sort((x, y) => x.along - y.along);
      const draw = random(3);
      const counted = new Map<string, number>();
      for (let i = 0; i < ROLLS; i++) {
        const u = aim + spread.lateral * normalDraw(draw);
        const far = draw();
        const fell = spots
          .filter((spot) => Math.abs(u * spot.along - spot.across) <= (base.pin.width + object.diameter) / 2)
          .filter((spot) => far < reachChance(sending, spot.along))
          .map((spot) => spot.id)
          .sort()
          .join(" ");
        counted.set(fell, (counted.get(fell) ?? 0) + 1);
      }
      for (const outcome of list) {
        const share = (counted.get(outcome.ref === "none" ? "" : outcome.ref) ?? 0) / ROLLS;
        expect(Math.abs(share - outcome.p), outcome.ref).toBeLessThan(
          4 * Math.sqrt((outcome.p * (1 - outcome.p)) / ROLLS) + 1e-6,
        );
      }
      expect([...counted.keys()].filter((key) => !list.some((outcome) => outcome.ref === (key || "none")))).toEqual([]);
    },
    60_000,
  );
  it("of one pin is the chance to touch it", () => {
    const activity = fromPattern("pins");
    const parts = layoutOf(activity).filter((part) => part.kind !== "target" || part.id === "p1");
    const sight = sightOf(opened(activity).probes[0]!.ask, {
      parts,
      people: [personOf(activity, { age: 7 })],
      policy: "middle",
    });
    const [p1] = spotsOf(base);
    const { list } = kindOf({ kind: "fall", standing: [p1!], each: 2, all: 3 }).outcomes(
      { kind: "fall", standing: [p1!], each: 2, all: 3 } as never,
      sight,
    );
    const { spread, object, sending } = sight.person.sends({});
    const touch = hitChance({ kind: "touch", width: base.pin.width }, { distance: p1!.along, spread, object });
    expect(list.find((outcome) => outcome.ref === "p1")!.p).toBeCloseTo(touch * reachChance(sending, p1!.along), 12);
  });
  it("sums to one rolled and thrown, light and heavy; a heavy pin stays up, and in the air only the front of them falls", () => {
    for (const action of ["underarmRoll", "underarmThrow", "overarmThrow"] as const)
      for (const weight of [
        undefined,
        { mass: 0.03, contents: 0, filling: 0 },
        { mass: 0.03, contents: 1.5, filling: 1 },
      ]) {
        const activity = with_({ pin: { ...base.pin, ...(weight && { weight }) } });
        const { list } = chances({ ...activity, aim: { ...activity.aim, action } });
        expect(list.reduce((sum, outcome) => sum + outcome.p, 0)).toBeCloseTo(1, 9);
        const felled = list.reduce(
          (sum, outcome) => sum + outcome.p * ("fell" in outcome.seen ? outcome.seen.fell.length : 0),
          0,
        );
        if (weight?.filling === 1) expect(felled).toBe(0);
        else expect(felled).toBeGreaterThan(0);
        // Two rows behind each other are farther apart than a sock ball is wide.
        if (action !== "underarmRoll")
          for (const outcome of list)
            expect("fell" in outcome.seen && outcome.seen.fell.includes("p1") && outcome.seen.fell.includes("p5")).toBe(
              false,
            );
      }
  });
  it("is forecast exactly over standing sets, and a wider gap fells less of the middle", () => {
    const forecast = forecastActivity(with_({}), [{ age: 7 }], alone, "middle");
    expect(forecast.method).toBe("exact");
    const sampled = forecastActivity(with_({}), [{ age: 7 }], alone, "middle", {
      method: "sampled",
      samples: 4000,
    });
    expect(Math.abs(mean(forecast.sides[0]!.points) - mean(sampled.sides[0]!.points))).toBeLessThan(0.6);
    const wide = forecastActivity(
      with_({ formation: { kind: "given", shape: "row", count: 6, gap: 0.3 } }),
      [{ age: 7 }],
      alone,
      "middle",
    );
    expect(mean(wide.sides[0]!.points)).toBeLessThan(mean(forecast.sides[0]!.points));
    // Ten pins in five frames: 1,024 sets, of which few can happen.
    const ten = with_({ formation: { kind: "given", shape: "triangle", count: 10, gap: 0.1 } });
    const told = forecastActivity(ten, [{ age: 8 }], alone, "middle");
    expect(told.sides[0]!.finish).toBeCloseTo(1, 9);
  });
});

describe("what down is", () => {
  const bottle = { item: "bottle", width: 0.08, height: 0.3, weight: { mass: 0.03, contents: 1.5, filling: 0.6 } };
  it("lying and leaning take what topples it, off its spot and a fallen top what touches it; a document without it means lying", () => {
    const rules = DOWNS.map((down) => pinRule(pin.parse({ ...bottle, down })).kind);
    expect(rules).toEqual(["topple", "topple", "touch", "touch"]);
    expect(pin.parse(bottle).down).toBe("lying");
    expect(() => pin.parse({ ...bottle, down: "gone" })).toThrow("down must be one of lying, leaning, moved, top");
    expect(pinFaced(pin.parse({ ...bottle, down: "moved" }), { ...bottle, mass: 0.1, contents: 0 } as never).down).toBe(
      "moved",
    );
    // A card made before anybody could choose says the same as ever.
    expect(downSaid(bottle as never)).toEqual([{ key: "pin.down.lying" }]);
  });
});
