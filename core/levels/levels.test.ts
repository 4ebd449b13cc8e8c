import { describe, expect, it } from "vitest";
import { fieldOf } from "../contract/range.ts";
import { mean } from "../forecast/distribution.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { activity, fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { patternNames } from "../patterns/registry.ts";
import { random } from "../random.ts";
import { sendsUntil, settles } from "./ladder.ts";
import {
  AS_DRAWN,
  allAlike,
  atLevel,
  CORRIDOR,
  gradesOf,
  type LevelKnob,
  levelFor,
  levelWords,
  notesOn,
  onLevel,
  otherActions,
  proposeLevels,
  rateAt,
  selfAt,
  settable,
  spaced,
  USUAL_KNOBS,
  wouldDiffer,
} from "./levels.ts";

describe("levels that differ", () => {
  it.each(patternNames)("%s: no two are set alike, or hardly differ, and what would let them differ does", (name) => {
    const design = fromPattern(name);
    const list = proposeLevels(design, { age: 7 }, { count: 5 });
    const set = list.map((level) => JSON.stringify(level.setting));
    expect(new Set(set).size).toBe(list.length);
    for (const [i, level] of list.entries())
      if (i > 0) expect(Math.abs(list[i - 1]!.rate - level.rate)).toBeGreaterThan(0.0149);
    if (list.length > 1) return;
    const lets = wouldDiffer(design, { age: 7 }, { count: 5 });
    if (lets) expect(proposeLevels(design, { age: 7 }, { knobs: [...USUAL_KNOBS, lets] }).length).toBeGreaterThan(1);
  });

  it("a level's share is that of the sends made in play: what is missed is sent at again", () => {
    const climb = fromPattern("climb");
    const open = {
      ...climb,
      pattern: { ...climb.pattern, params: { ...(climb.pattern.params as object), tries: null } as never },
    };
    const forecast = forecastActivity(open, [{ age: 7 }], { players: 1, mode: "alone", seed: 1 }, "middle");
    expect(rateAt(open, AS_DRAWN, { age: 7 })).toBeCloseTo(
      mean(forecast.sides[0]!.stage) / mean(forecast.sides[0]!.sends),
      6,
    );
    // Of pins it is how often any falls.
    const pins = fromPattern("pins");
    const first = { ...(pins.pattern.params as object), rolls: 1, frames: 1, points: 1, bonus: 0 } as never;
    const one = { ...pins, pattern: { ...pins.pattern, params: first } };
    const { points } = forecastActivity(one, [{ age: 7 }], { players: 1, mode: "alone", seed: 1 }, "middle").sides[0]!;
    expect(rateAt(one, AS_DRAWN, { age: 7 })).toBeCloseTo(1 - points.p[points.at.indexOf(0)]!, 9);
  });
});

describe("a ladder", () => {
  const fine = Array.from({ length: 401 }, (_, i) => 0.995 - (0.99 * i) / 400);
  it("has turned round after so many sends as counting every way says, and as drawn ladders do", () => {
    // Two levels, 1 up 1 down, even chances, from the lower one: it steps with one send in two, then turns with every other one.
    // First step: 2 sends; each turn after it as many.
    expect(sendsUntil([0.5, 0.5], { up: 1, down: 1, begin: 0, turns: 1 })).toBeCloseTo(4, 2);
    expect(sendsUntil([0.5, 0.5], { up: 1, down: 1, begin: 0, turns: 4 })).toBeCloseTo(10, 1);
    const rates = [0.8, 0.7, 0.6, 0.5, 0.4];
    const draw = random(5);
    let sum = 0;
    const GOES = 4000;
    for (let g = 0; g < GOES; g++) {
      let [level, row, last, way, turns] = [2, 0, 0, 0, 0];
      while (turns < 4) {
        sum++;
        const is = draw() < rates[level]! ? 1 : -1;
        row = is === last ? row + 1 : 1;
        last = is;
        if (row < (is === 1 ? 2 : 1)) continue;
        [row, last] = [0, 0];
        const to = Math.max(0, Math.min(4, level + is));
        if (to !== level && way !== 0 && way !== is) turns++;
        if (to !== level) way = is;
        level = to;
      }
    }
    expect(Math.abs(sendsUntil(rates, { up: 2, down: 1, begin: 2, turns: 4 })! - sum / GOES)).toBeLessThan(0.4);
    // Nobody ever turns where all is hit.
    expect(sendsUntil([1, 1], { up: 1, down: 1, begin: 0, turns: 1 })).toBeNull();
  });
  it("settles on a fine ladder at 50 %, 70.7 % and 79.4 %", () => {
    expect(settles(fine, 1, 1).rate).toBeCloseTo(0.5, 2);
    expect(
      settles(
        fine.filter((_, i) => i % 4 === 0),
        2,
        1,
      ).rate,
    ).toBeCloseTo(Math.SQRT1_2, 1);
    expect(
      settles(
        fine.filter((_, i) => i % 4 === 0),
        3,
        1,
      ).rate,
    ).toBeCloseTo(0.794, 1);
  });
  it("spends its time as a child does that is drawn step by step", () => {
    const rates = [0.8, 0.7, 0.55];
    const next = random(5);
    let [level, hits, misses] = [0, 0, 0];
    const seen = [0, 0, 0];
    let counted = 0;
    const n = 400_000;
    for (let i = 0; i < n; i++) {
      seen[level]!++;
      if (next() < rates[level]!) {
        counted++;
        hits++;
        misses = 0;
        if (hits === 2) [level, hits] = [Math.min(2, level + 1), 0];
      } else {
        misses++;
        hits = 0;
        if (misses === 2) [level, misses] = [Math.max(0, level - 1), 0];
      }
    }
    const told = settles(rates, 2, 2);
    for (const [i, s] of told.shares.entries()) expect(s).toBeCloseTo(seen[i]! / n, 2);
    expect(told.rate).toBeCloseTo(counted / n, 2);
  });
  it("names what is not allowed", () => {
    expect(() => sendsUntil([], { up: 1, down: 1, begin: 0, turns: 4 })).toThrow("at least one level");
    expect(() => settles([], 1, 1)).toThrow("at least one level");
    expect(() => settles([0.5], 0, 1)).toThrow("1 or more");
  });
});

describe("levels", () => {
  const climb = fromPattern("climb");
  it("are evenly spaced in log-odds, the easiest first", () => {
    const s = spaced({ low: 0.6, high: 0.8 }, 5);
    expect(s[0]).toBeCloseTo(0.8, 9);
    expect(s[4]).toBeCloseTo(0.6, 9);
    const odds = s.map((p) => Math.log(p / (1 - p)));
    for (let i = 1; i < 4; i++) expect(odds[i]! - odds[i - 1]!).toBeCloseTo(odds[1]! - odds[0]!, 9);
  });
  it("give what they say: each within a few points, harder from one to the next, within the space", () => {
    const list = proposeLevels(
      climb,
      { age: 7 },
      { targets: ["bucket", "bottle", "cerealBox"], things: ["balloon", "softBall"] },
    );
    expect(list).toHaveLength(5);
    for (const [i, level] of list.entries()) {
      expect(rateAt(climb, level.setting, { age: 7 })).toBeCloseTo(level.rate, 9);
      if (i > 0) expect(level.rate).toBeLessThanOrEqual(list[i - 1]!.rate + 1e-9);
      for (const peg of opened(atLevel(climb, level.setting)).pegs)
        expect(peg.distance).toBeLessThanOrEqual(climb.space.length);
    }
  });
  it.each(patternNames)("%s: can be asked for in every game, and give documents that can be read", (name) => {
    const design = fromPattern(name);
    const list = proposeLevels(design, { age: 8 }, { count: 3, things: ["balloon"] });
    expect(list.length).toBeLessThanOrEqual(3);
    for (const level of list)
      expect(activity.safeParse(atLevel(design, level.setting)).success, JSON.stringify(level)).toBe(true);
  });
  it("a child gets the one that suits it: a surer one a harder level", () => {
    const list = proposeLevels(climb, { age: 7 }).map((proposeLevel) => proposeLevel.setting);
    const a = { ...climb, levels: { low: 0.6, high: 0.8, list, up: 2, down: 1 } };
    const of = (multiplier: number) => levelFor(a, { age: 7, multiplier })!.level;
    expect(of(0.6)).toBeGreaterThanOrEqual(of(1.1));
    expect(of(1.1)).toBeGreaterThanOrEqual(of(2));
    expect(of(0.6)).toBeGreaterThan(of(2));
    expect(onLevel(a, 9).levels).toBeNull();
    expect(levelFor(climb, { age: 7 })).toBeNull();
  });
  it("uses the other hand and kneeling change the chance as they do in a match; what the game is set to changes the game", () => {
    const drawn = rateAt(climb, AS_DRAWN, { age: 7 })!;
    expect(rateAt(climb, { ...AS_DRAWN, hand: "other" }, { age: 7 })!).toBeLessThan(drawn);
    expect(selfAt({ ...AS_DRAWN, posture: "kneeling" })).toEqual({ posture: "kneeling" });
    const tally = fromPattern("tally");
    const [bounce] = settable(tally).filter((eachSettable) => eachSettable.path.at(-1) === "bounce");
    expect(bounce).toBeDefined();
    const set = { ...AS_DRAWN, settings: [{ field: fieldOf(bounce!), value: true }] };
    expect(rateAt(tally, set, { age: 8 })!).toBeGreaterThan(rateAt(tally, AS_DRAWN, { age: 8 })!);
  });
  it("may turn the hand alone, the thing alone, another way of sending alone", () => {
    const easy = { ...climb, levels: null };
    const only = (knobs: readonly LevelKnob[]) =>
      proposeLevels(easy, { age: 7 }, { knobs, things: ["balloon", "softBall"], corridor: { low: 0.2, high: 0.6 } });
    const turned = (list: ReturnType<typeof only>) =>
      new Set(
        list.flatMap(({ setting }) =>
          Object.entries(setting).flatMap(([key, value]) => (value && `${value}` !== "" ? [key] : [])),
        ),
      );
    for (const [knob, field] of [
      ["hand", "hand"],
      ["thing", "thing"],
      ["posture", "posture"],
    ] as const)
      expect(
        [...turned(only([knob]))].every((key) => key === field),
        knob,
      ).toBe(true);
    expect(
      otherActions(fromPattern("board")).every((otherAction) => otherAction !== fromPattern("board").aim.action),
    ).toBe(true);
  });
  it("of a document name the level and the field that cannot be", () => {
    const bad = (more: object) => {
      const list = [AS_DRAWN, { ...AS_DRAWN, ...more }];
      const told = activity.safeParse({ ...climb, levels: { low: 0.6, high: 0.8, list, up: 2, down: 1 } });
      return told.success ? "" : told.error.issues.map((issue) => issue.message).join();
    };
    expect(bad({ settings: [{ field: "params.nothing", value: 3 }] })).toContain(
      "level 2: this game has no params.nothing",
    );
    expect(bad({ settings: [{ field: "params.tries", value: -4 }] })).toContain("level 2: params.tries cannot be -4");
    expect(bad({ action: "balance" })).toContain("level 2: climb cannot be played this way");
    expect(bad({ hand: "other", posture: "sitting", action: "slide" })).toBe("");
  });
  it("may ask somebody to help: said in words and on the card, and no other line leads to it in play", () => {
    const helped = { ...AS_DRAWN, helper: "catches" as const };
    const a = { ...climb, levels: { low: 0.6, high: 0.8, list: [helped, { ...AS_DRAWN, line: 0.5 }], up: 2, down: 1 } };
    expect(activity.parse(a).levels!.list[0]!.helper).toBe("catches");
    expect(activity.safeParse({ ...a, levels: { ...a.levels, list: [{ ...AS_DRAWN, helper: "runs" }] } }).success).toBe(
      false,
    );
    expect(levelWords(helped, 0.5)).toEqual([{ key: "level.helper", params: { helper: "catches" } }]);
    expect(notesOn(a, 0)).toEqual([{ key: "card.helper.catches" }]);
    expect(notesOn(a, 1)).toEqual([]);
    expect(notesOn(climb, 0)).toEqual([]);
    expect(onLevel(a, 0).family).toEqual(climb.family);
    expect(rateAt(a, helped, { age: 8 })).toBe(rateAt(a, AS_DRAWN, { age: 8 }));
  });
  it("that are all alike are known as such", () => {
    expect(allAlike([AS_DRAWN, { ...AS_DRAWN }])).toBe(true);
    expect(allAlike([AS_DRAWN, { ...AS_DRAWN, line: 0.5 }])).toBe(false);
  });
  it("say themselves in steps, and name an impossible corridor", () => {
    expect(levelWords({ ...AS_DRAWN, line: 0.75, target: "bucket" }, 0.5)).toEqual([
      { key: "level.farther", params: { steps: 1.5, half: "no" } },
      { key: "level.target", params: { item: "bucket" } },
    ]);
    expect(levelWords(AS_DRAWN, 0.5)).toEqual([{ key: "level.asDrawn" }]);
    expect(() => proposeLevels(climb, { age: 7 }, { corridor: { low: 0.8, high: 0.6 } })).toThrow("corridor");
  });

  it("words and mixes by their difficulty are levels: in order, allowed, and by age where chances are alike", () => {
    const speller = fromPattern("speller");
    const params = { ...(speller.pattern.params as object), list: "sun, sand, and, sad, dad, nun, us, add" };
    const words = activity.parse({ ...speller, pattern: { ...speller.pattern, params } });
    const graded = gradesOf(words).map(([setting]) => String(setting!.value).split(", "));
    expect(graded[0]).toContain("us");
    expect(graded[graded.length - 1]).toContain("sand");
    for (const list of graded) expect(list).toHaveLength(4);
    const square = fromPattern("swapSquare");
    for (const [design, count] of [
      [words, 3],
      [square, 4],
    ] as const) {
      const list = proposeLevels(design, { age: 8 }, { knobs: ["game"], count }).map(
        (proposeLevel) => proposeLevel.setting,
      );
      const on = { ...design, levels: { ...CORRIDOR, list, up: 2, down: 1 } };
      expect(activity.safeParse(on).error?.issues ?? []).toEqual([]);
      for (const [i, setting] of list.entries())
        expect(activity.safeParse({ ...onLevel(on, i) }).success, String(setting)).toBe(true);
    }
    const trips = proposeLevels(square, { age: 8 }, { knobs: ["game"], count: 4 }).map(
      (proposeLevel) => proposeLevel.setting,
    );
    expect(trips.map((trip) => trip.settings[0]!.value)).toEqual([1, 3, 4, 6]);
    const on = { ...square, levels: { ...CORRIDOR, list: trips, up: 2, down: 1 } };
    const { from, to } = square.ages;
    expect([from, to, to + 3].map((age) => levelFor(on, { age })!.level)).toEqual([0, 3, 3]);
    // A letter that lies farther counts as often as it is asked for.
    const near = { ...words, pattern: { ...words.pattern, params: { ...params, list: "us" } } } as typeof words;
    const cards = (near.pattern.params as { cards: { text: string; distance: number }[] }).cards;
    const moved = cards.map((card) => (card.text === "d" ? { ...card, distance: 5 } : card));
    const far = {
      ...near,
      pattern: { ...near.pattern, params: { ...params, list: "us", cards: moved } },
    } as typeof words;
    expect(rateAt(far, AS_DRAWN, { age: 8 })).toBeCloseTo(rateAt(near, AS_DRAWN, { age: 8 })!, 1);
    const no = { ...CORRIDOR, list: [AS_DRAWN, { ...AS_DRAWN, settings: [{ field: "params.list", value: "zoo" }] }] };
    const bad = activity.safeParse({ ...words, levels: { ...no, up: 1, down: 1 } });
    expect(bad.error?.issues.map((issue) => issue.message)).toEqual([
      'level 2: params.list cannot be "zoo" in this game',
    ]);
  });
});
