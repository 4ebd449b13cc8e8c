import { describe, expect, it } from "vitest";
import type { Setup } from "../../contract/contract.ts";
import { match as matchSchema } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity } from "../../forecast/for-activity.ts";
import { fromPattern, gameSettingsOf, parseActivity } from "../../formats/activity.ts";
import { having, refusedBy, take } from "../../referee/playing.test-utils.ts";
import { openPlay, view } from "../../referee/referee.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { swapSquare } from "./index.ts";
import type { SwapSquareParams } from "./schema.ts";
import { swapSquareParams } from "./schema.ts";
import { tellSwapSquare } from "./swap-square.reference.ts";

const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };
const TWO: Setup = { players: 2, mode: "against", seed: 1 };
const begin = (change: object = {}, setup = ALONE, match = {}) =>
  openPlay(gameSettingsOf(having("swapSquare", change, match)), setup);
const mix = (text: string, fewest?: number) => ({
  kind: "mix",
  cells: [...text].map(Number),
  ...(fewest !== undefined && { fewest: { lower: fewest, upper: fewest } }),
});
const swap = (one: number, other: number, more = {}) => ({ kind: "swap", a: one, b: other, ...more });

describe("Swap square: a second telling agrees", () => {
  const paramsOf = (draws: Draw): Drawn<SwapSquareParams> => {
    const count = 2 + draws.upTo(1);
    const squares = draws.chance(0.3) ? "one" : "own";
    return {
      params: swapSquareParams.parse({
        ...swapSquare.example.params,
        n: count,
        reach: draws.one(["next", "line"]),
        squares,
        exercise: draws.chance(0.3) ? { name: "hops", dose: 2 } : null,
      }),
      match: matchSchema.parse({
        carry: draws.chance(0.3),
        ...(squares === "own" && {
          swap: draws.one(["send", "go", "once"]),
          goes: { count: 1 + draws.upTo(1), keep: draws.one(["best", "total"]) },
        }),
      }),
    };
  };
  const eventOf = (draws: Draw, at: number, params: SwapSquareParams, legal: readonly string[]): GameEvent => {
    const by = draws.chance(0.3) ? { by: draws.upTo(3) } : {};
    if (legal.includes("mix") && draws.chance(0.85)) {
      const cells = Array.from({ length: params.n * params.n }, (_, i) => i % params.n);
      for (let i = cells.length - 1; i > 0; i--) {
        const j = draws.upTo(i);
        [cells[i], cells[j]] = [cells[j]!, cells[i]!];
      }
      if (draws.chance(0.1)) cells[0] = (cells[0]! + 1) % params.n;
      return { kind: "mix", at, cells, ...by };
    }
    if (legal.includes("task") && draws.chance(0.7)) return { kind: "task", at, ...by };
    if (draws.chance(0.08)) return { kind: draws.one(["carry", "ready", "stand", "task"]), at };
    return { kind: "swap", at, a: draws.upTo(params.n * params.n - 1), b: draws.upTo(params.n * params.n), ...by };
  };
  it("over seeded event sequences", () => {
    expect(run(swapSquare.rules, tellSwapSquare, paramsOf, eventOf, swapSquare.modes)).toBeGreaterThan(SEQUENCES / 40);
  }, 400_000);
});

describe("Swap square", () => {
  it("collects every complete near row at once, also in a chain, and says what it could be done in", () => {
    const play = take(begin({ n: 3 }), mix("001110222", 1));
    // One swap completes the near row; the next one is complete then too, and so is the last.
    const done = take(play, swap(2, 5));
    expect(view(done)).toMatchObject({
      done: "over",
      ending: { reason: { key: "square.end", params: { fewest: 1 } } },
    });
    expect(view(done).score[0]).toMatchObject({ value: 1, unit: "trips" });
  });
  it("refuses a diagonal and, next to each other, what is farther, with words and without a trip", () => {
    const play = take(begin({ n: 3, reach: "next" }), mix("012120201"));
    expect(refusedBy(play, swap(0, 4))).toBe("refused.notInLine");
    expect(refusedBy(play, swap(0, 2))).toBe("refused.notNext");
    expect(refusedBy(play, swap(0, 9))).toBe("refused.noSuchCell");
    expect(view(take(play, swap(0, 1))).score[0]!.value).toBe(1);
    // Two of one kind may be swapped: it is a trip.
    expect(view(take(take(begin({ n: 3 }), mix("001120212")), swap(0, 1))).score[0]!.value).toBe(1);
    expect(refusedBy(begin({ n: 3 }), mix("000000222"))).toBe("refused.notWhole");
    expect(refusedBy(begin({ n: 3 }), swap(0, 1))).toBe("refused.mixFirst");
    expect(refusedBy(play, mix("012120201"))).toBe("refused.mixed");
  });
  it("asks for the exercise before running back", () => {
    const play = take(begin({ n: 3, exercise: { name: "hops", dose: 3 } }), mix("012120201"), swap(0, 3));
    expect(view(play).asks[0]).toMatchObject({ kind: "task", exercise: "hops", dose: 3 });
    expect(refusedBy(play, swap(1, 4))).toBe("refused.extraFirst");
    expect(view(take(play, { kind: "task" })).asks[0]!.kind).toBe("swap");
  });
  it("on one square each scores the rows of its own swaps; complete at the start scores nobody", () => {
    const play = take(begin({ squares: "one" }, TWO), mix("000112221"));
    expect(view(play).score.map((score) => score.value)).toEqual([0, 0]);
    const other = take(play, swap(0, 1));
    expect(view(other).player).toBe(1);
    // Whose swap sets a chain off scores all of it.
    const end = take(other, swap(2, 5));
    expect(view(end).score.map((score) => [score.value, score.unit])).toEqual([
      [0, "rows"],
      [2, "rows"],
    ]);
    expect(view(end)).toMatchObject({ done: "over", ending: { winners: [1] } });
  });
  it("races on two squares: fewest trips wins; by time the clock starts once it is mixed", () => {
    const play = take(begin({ n: 2, least: 1, most: 2 }, TWO), mix("0110"), swap(0, 2), mix("0110"));
    const end = take(play, swap(0, 1), swap(0, 1), swap(0, 2));
    expect(view(end).score.map((score) => score.value)).toEqual([1, 3]);
    expect(view(end).ending?.winners).toEqual([0]);
    const time = begin({ n: 2, least: 1, most: 2, score: "time" });
    expect(view(time).asks[0]!.kind).toBe("mix");
    const mixedUp = take(time, { ...mix("0110"), at: 5000 });
    expect(view(mixedUp).asks[0]!.kind).toBe("ready");
    const done = take(mixedUp, { kind: "ready", at: 9000 }, swap(0, 2, { at: 12_500 }));
    expect(view(done).score[0]).toMatchObject({ value: 35, unit: "tenths" });
  });
  it("a race by time is over when somebody is done; before version 2 it went on, and nobody had won once the other left", () => {
    const change = { n: 2, least: 1, most: 2, score: "time" };
    const race = (version?: number) => {
      let play = openPlay(gameSettingsOf(having("swapSquare", change, { swap: "once" })), TWO, version);
      const mixes = [0, 1].map((by) => ({ ...mix("0110"), by }));
      play = take(
        play,
        ...mixes,
        { kind: "ready", at: 1000 },
        swap(0, 1, { by: 0, at: 2000 }),
        swap(0, 2, { by: 1, at: 3000 }),
      );
      return play;
    };
    expect(view(race())).toMatchObject({ done: "over", ending: { winners: [1] } });
    expect(view(race()).progress.map((progress) => progress.finished)).toEqual([false, true]);
    expect(view(race(1)).ending).toBeNull();
    const more = { n: 3, least: 2, most: 5, score: "time" };
    const forecast = forecastActivity(
      having("swapSquare", more, { swap: "once" }),
      [{ age: 8 }, { age: 8 }],
      TWO,
      "middle",
    );
    const one = forecastActivity(having("swapSquare", more), [{ age: 8 }], ALONE, "middle");
    expect(mean(forecast.time)).toBeLessThan(mean(one.time));
    expect(forecast.sides.map((side) => side.finish)).toEqual([0.5, 0.5].map((x) => expect.closeTo(x, 9)));
  });
  it("is refused where kinds are missing or alike, or one square is played for time", () => {
    const bad = (change: object) => {
      const activity = fromPattern("swapSquare");
      const read = parseActivity({
        ...activity,
        pattern: { ...activity.pattern, params: { ...activity.pattern.params, ...change } },
      });
      return read.ok ? [] : read.problems.map((problem) => problem.field);
    };
    expect(bad({ kinds: ["sock", "peg"] })).toEqual(["pattern.params.kinds"]);
    expect(bad({ kinds: ["sock", "sock", "peg"] })).toEqual(["pattern.params.kinds"]);
    expect(bad({ squares: "one", score: "time" })).toEqual(["pattern.params.score"]);
    expect(bad({ least: 5, most: 4 })).toEqual(["pattern.params.most"]);
  });
  it("is forecast by sensible play over its mixes: no fewer trips than wanted, longer ways longer times", () => {
    const told = (change: object) => forecastActivity(having("swapSquare", change), [{ age: 8 }], ALONE, "middle");
    const near = told({ distance: 1, score: "time" });
    const far = told({ distance: 2.8, score: "time" });
    expect(mean(far.sides[0]!.points)).toBeGreaterThan(mean(near.sides[0]!.points) * 1.2);
    expect(told({}).sides[0]!.finish).toBeCloseTo(1, 9);
    expect(mean(told({ exercise: { name: "hops", dose: 5 } }).time)).toBeGreaterThan(mean(told({}).time));
  });
});
