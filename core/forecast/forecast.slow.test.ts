import { describe, expect, it } from "vitest";
import { fromLine } from "../asks/ask.ts";
import { total, waysFrom } from "../chances/outcomes.ts";
import { openGame } from "../contract/game.ts";
import type { Match } from "../contract/match.ts";
import { USUAL_MATCH } from "../contract/match.ts";
import { type Activity, activity, fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { patternNames, patterns } from "../patterns/registry.ts";
import { asksAtMost } from "../physics/send.ts";
import { sampled } from "../sample-size.test-utils.ts";
import { distribution, mean, quantile } from "./distribution.ts";
import { forecastActivity, layoutOf, pegRates, personOf, sendingIn } from "./for-activity.ts";
import { ForecastStopped } from "./forecast.ts";
import { variance } from "./spread.test-utils.ts";

const alone = { players: 1, mode: "alone", seed: 3 } as const;
const climb = (over: object = {}, around: Partial<Match> = {}): Activity => {
  const design = fromPattern("climb");
  const params = { ...patterns.climb.example.params, ...over } as never;
  return { ...design, pattern: { name: "climb", params }, match: { ...design.match, ...around } };
};

describe("forecast", () => {
  it("a climb over .85 .7 .55 .4 takes 6.923224 sends", () => {
    const base = patterns.climb.example.params.ladder as { kind: "targets"; order: "nearest"; targets: never[] };
    const design = climb({ tries: null, ladder: { ...base, targets: base.targets.slice(0, 4) } });
    const forecast = forecastActivity(design, [{ age: 7 }], alone, "middle", {
      chances: { t1: 0.85, t2: 0.7, t3: 0.55, t4: 0.4 },
    });
    expect(forecast.method).toBe("exact");
    expect(mean(forecast.sides[0]!.sends)).toBeCloseTo(6.923224, 6);
    expect(forecast.sides[0]!.finish).toBeCloseTo(1, 9);
  });

  it("agrees with the negative binomial inside a cap", () => {
    const base = patterns.climb.example.params.ladder as { kind: "targets"; order: "nearest"; targets: never[] };
    const design = climb({ tries: 6, ladder: { ...base, targets: base.targets.slice(0, 2) } });
    const forecast = forecastActivity(design, [{ age: 7 }], alone, "middle", { chances: { t1: 0.3, t2: 0.3 } });
    const under2 = 0.7 ** 6 + 6 * 0.3 * 0.7 ** 5;
    expect(forecast.sides[0]!.finish).toBeCloseTo(1 - under2, 10);
  });

  it.each([
    ["climb, alone", climb(), alone],
    ["climb, under a bell", climb({}, { seconds: 60 }), alone],
    [
      "climb, forfeits and goes",
      climb({ forfeit: { misses: 2, exercise: "hops", dose: 6 }, tries: 8 }, { goes: { count: 2, keep: "best" } }),
      alone,
    ],
    ["climb, relay", climb({}, { swap: "miss" }), { players: 2, mode: "relay", seed: 3 } as const],
    [
      "climb, against, first up",
      climb({ tries: 8 }, { end: "first" }),
      { players: 2, mode: "against", seed: 3 } as const,
    ],
    ["bands, alone", fromPattern("bands"), alone],
  ])("exact and sampled agree: %s", (_, givenActivity, setup) => {
    const people = Array.from({ length: setup.players }, () => ({ age: 7 }));
    const exact = forecastActivity(givenActivity, people, setup, "middle", { method: "exact" });
    const sampled = forecastActivity(givenActivity, people, setup, "middle", { method: "sampled", samples: 6000 });
    for (const [i, side] of exact.sides.entries()) {
      const other = sampled.sides[i]!;
      expect(Math.abs(side.finish - other.finish)).toBeLessThan(4 * sampled.standardError);
      if (side.win !== null) expect(Math.abs(side.win - other.win!)).toBeLessThan(4 * sampled.standardError);
      expect(Math.abs(mean(side.sends) - mean(other.sends)) / mean(side.sends)).toBeLessThan(0.03);
      expect(Math.abs(mean(side.points) - mean(other.points))).toBeLessThan(0.05 * Math.max(4, mean(side.points)));
    }
    expect(Math.abs(mean(exact.time) - mean(sampled.time)) / mean(exact.time)).toBeLessThan(0.03);
    expect(Math.abs(exact.share.fetching - sampled.share.fetching)).toBeLessThan(0.02);
    expect(exact.share.acting + exact.share.fetching + exact.share.waiting).toBeCloseTo(1, 9);
    expect(exact.cut).toBeLessThan(1e-9);
  });

  describe("with a bell", () => {
    const board = fromPattern("board");
    const { layout } = board.pattern.params as unknown as { layout: { targets: never[] } };
    const sure = (seconds: number, more: object = {}): Activity => ({
      ...board,
      pattern: {
        ...board.pattern,
        params: {
          ...(board.pattern.params as object),
          sends: null,
          bonus: 0,
          layout: { ...layout, targets: [{ ...(layout.targets[0]! as object), id: "t1", distance: 2, points: 1 }] },
          ...more,
        } as never,
      },
      match: { ...USUAL_MATCH, seconds },
    });
    const thrown = (seconds: number, more?: object, how: object = {}) => {
      const forecast = forecastActivity(sure(seconds, more), [{ age: 8 }], alone, "middle", {
        chances: { t1: 1 },
        ...how,
      });
      return [mean(forecast.sides[0]!.points), mean(forecast.time)];
    };
    it("what has landed by it counts, fetched or not: a sure target at 2 m is hit 3 times in 20 s at age 8", () => {
      expect(thrown(20)[0]).toBe(3);
      expect(thrown(20, {}, { method: "sampled", samples: 100 })[0]).toBe(3);
    });
    it("a throw let go or landed on its very instant counts, and one a tenth later does not", () => {
      // By the second: where the third landing, and then its release, falls on the bell itself.
      const counts = (inAir: boolean) => {
        const list: number[] = [];
        for (let s = 10; s <= 40; s++) list.push(thrown(s, { inAir })[0]!);
        return list;
      };
      const design = sure(20);
      const play = { parts: layoutOf(design), people: [personOf(design, { age: 8 })], policy: "middle" as const };
      const game = openGame(patterns.board as never, gameSettingsOf(design));
      const state = game.start(alone);
      const ask = game
        .asks(game.step(state, { kind: "ready", at: 0 }) as typeof state)
        .find((eachAsk) => eachAsk.kind === "send")!;
      const [way] = waysFrom(ask, { ...play, chances: { t1: 1 } })!;
      const takes = total(way!.spent);
      const by = (from: number) => (_: unknown, i: number) => 1 + Math.floor((10 * (10 + i) - from) / takes);
      expect(counts(false)).toEqual(Array.from({ length: 31 }, by(way!.landed!)));
      expect(counts(true)).toEqual(Array.from({ length: 31 }, by(way!.released!)));
      expect(way!.landed!).toBeGreaterThan(way!.released!);
    });
    const rung = patternNames.filter(
      (patternName) => patterns[patternName].match.fields.includes("seconds") && patternName !== "bases",
    );
    it.each(sampled(rung, 3))("%s is told alike step by step and in drawn games", (name) => {
      const design = fromPattern(name);
      const timed = { ...design, match: { ...patterns[name].match.initial, ...design.match, seconds: 30 } };
      const f = (method: "auto" | "sampled") =>
        forecastActivity(timed, [{ age: 9 }], alone, "middle", { method, samples: 1500 });
      if (!design.players.modes.includes("alone")) return;
      const [exact, drawn] = [f("auto"), f("sampled")];
      expect(Math.abs(exact.sides[0]!.finish - drawn.sides[0]!.finish)).toBeLessThan(4 * drawn.standardError);
      const spread = Math.sqrt(variance(exact.sides[0]!.points) / 1500);
      expect(Math.abs(mean(exact.sides[0]!.points) - mean(drawn.sides[0]!.points))).toBeLessThan(5 * spread + 1e-9);
    });
  });

  it.each(sampled(patternNames, 3))("%s without any cap is told too, however long it goes on", (name) => {
    const design = fromPattern(name);
    const open = { sends: null, tries: null, rounds: null, seconds: null };
    const params = Object.fromEntries(
      Object.entries(design.pattern.params).map(([key, value]) => [
        key,
        key in open && (value === null || typeof value === "number") ? null : value,
      ]),
    );
    const read = activity.safeParse({
      ...design,
      pattern: { name, params },
      match: { ...design.match, seconds: null },
    });
    // What would have no end at all, or needs its number, is refused by name.
    if (!read.success) {
      expect(read.error.issues[0]!.message).toMatch(/end|needs|number|whole/);
      return;
    }
    for (const age of [6]) {
      const forecast = forecastActivity(read.data, [{ age }], alone, "middle");
      expect(forecast.sides[0]!.sends.p.reduce((sum, y) => sum + y, 0)).toBeCloseTo(1 - forecast.cut, 6);
    }
  });

  it("shares a match between equals evenly, and falls to sampling beyond the cap", () => {
    const design = fromPattern("bands");
    const forecast = forecastActivity(
      design,
      [{ age: 8 }, { age: 8 }],
      { players: 2, mode: "against", seed: 9 },
      "bestExpected",
    );
    expect(forecast.sides[0]!.win! + forecast.sides[1]!.win! + forecast.cut).toBeCloseTo(1, 9);
    expect(Math.abs(forecast.sides[0]!.win! - 0.5)).toBeLessThan(0.04);
    expect(forecast.standardError).toBeLessThanOrEqual(0.01);
  });

  it("is over all plays: what is cut off is an outcome of its own, and a game that nobody finishes says so", () => {
    const never = { t1: 0, t2: 0, t3: 0, t4: 0, t5: 0 };
    const endless = forecastActivity(climb({ tries: null }), [{ age: 7 }], alone, "middle", { chances: never });
    expect(endless.sides).toHaveLength(1);
    expect(endless.sides[0]!.finish).toBe(0);
    expect(endless.cut).toBe(1);
    expect(endless.sides[0]!.sends).toEqual({ at: [], p: [] });
    expect(quantile(endless.sides[0]!.sends, 0.5)).toBe(Number.POSITIVE_INFINITY);
    const capped = forecastActivity(climb({ tries: 12 }), [{ age: 7 }], alone, "middle", { chances: never });
    expect([capped.sides[0]!.finish, capped.cut]).toEqual([0, 0]);
    // One child in a thousand gets there: that is what it says, not `100 % of those who do`.
    const rare = Object.fromEntries(Object.keys(never).map((id) => [id, 0.02]));
    const few = forecastActivity(climb({ tries: null }), [{ age: 7 }], alone, "middle", {
      chances: rare,
      samples: 300,
      method: "sampled",
    });
    expect(few.sides[0]!.finish + few.cut).toBeCloseTo(1, 9);
    const hard = forecastActivity(climb({ tries: 10 }), [{ age: 7 }], alone, "middle", { chances: rare });
    // Five hits in ten sends at .02: the binomial tail.
    let tail = 0;
    for (let k = 5; k <= 10; k++) {
      let ways = 1;
      for (let j = 0; j < k; j++) ways = (ways * (10 - j)) / (j + 1);
      tail += ways * 0.02 ** k * 0.98 ** (10 - k);
    }
    expect(hard.sides[0]!.finish).toBeCloseTo(tail, 12);
    for (const forecast of [endless, few, hard]) {
      const left = 1 - forecast.cut;
      for (const eachDistribution of [
        forecast.sides[0]!.sends,
        forecast.sides[0]!.points,
        forecast.sides[0]!.stage,
        forecast.rounds,
        forecast.time,
      ])
        expect(eachDistribution.p.reduce((sum, p) => sum + p, 0)).toBeCloseTo(left, 9);
    }
  });

  it("refuses chances given by hand by name: unknown, beyond 1, missing, too much together", () => {
    const told = (givenActivity: Activity, chances: Record<string, number>) => () =>
      forecastActivity(givenActivity, [{ age: 7 }], alone, "middle", { chances });
    const all = { t1: 0.5, t2: 0.5, t3: 0.5, t4: 0.5, t5: 0.5 };
    expect(told(climb(), { ...all, t9: 0.5 })).toThrow(
      "chances.t9: not part of this activity; it has t1, t2, t3, t4, t5",
    );
    expect(told(climb(), { ...all, t2: 1.2 })).toThrow("chances.t2: must be 0 to 1");
    expect(told(climb(), { ...all, t2: Number.NaN })).toThrow("chances.t2: must be 0 to 1");
    expect(told(climb(), { t1: 0.5 })).toThrow("chances.t2: is missing");
    expect(told(climb(), { ...all, constructor: 0.5 })).toThrow("chances.constructor: not part of this activity");
    const bands = fromPattern("bands");
    const zones = { z1: 0.3, z2: 0.3, z3: 0.3, z4: 0.05 };
    expect(told(bands, zones)()).toMatchObject({ method: "exact" });
    expect(told(bands, { ...zones, z4: 0.2 })).toThrow("together they are 1.100");
    expect(told(bands, { z1: 0.3, z2: 0.3 })).toThrow("chances.z3: is missing");
  });

  it("keeps to its budget whatever the schema allows, says what ended it, and gives the same again", () => {
    const six = Array.from({ length: 6 }, () => ({ age: 7 }));
    const bands = fromPattern("bands");
    const long = {
      ...bands,
      pattern: {
        name: "bands",
        params: {
          ...(bands.pattern.params as object),
          pieces: 10,
          finish: { rounds: 100, total: null, exact: false, dropTo: null },
        },
      },
    } as Activity;
    const setup = { players: 6, mode: "against", seed: 4 } as const;
    const forecast = forecastActivity(long, six, setup, "middle");
    expect(forecast).toMatchObject({ method: "sampled", stoppedBy: "budget" });
    // Six against each other by difference are two sides.
    expect(forecast.sides).toHaveLength(2);
    expect(forecast.standardError).toBeGreaterThan(0.01);
    expect(forecastActivity(long, six, setup, "middle")).toEqual(forecast);
    const enough = forecastActivity(climb(), [{ age: 7 }], alone, "middle", { method: "sampled" });
    expect(enough.stoppedBy).toBe("standardError");
    expect(enough.standardError).toBeLessThanOrEqual(0.0092);
    let asked = 0;
    expect(() => forecastActivity(long, six, setup, "middle", { stop: () => ++asked > 100 })).toThrow(ForecastStopped);
  });

  it("the best aim never expects less than the middle", () => {
    const design = fromPattern("bands");
    for (const age of [6, 8, 10]) {
      const best = forecastActivity(design, [{ age }], alone, "bestExpected");
      const middle = forecastActivity(design, [{ age }], alone, "middle");
      expect(mean(best.sides[0]!.points)).toBeGreaterThanOrEqual(mean(middle.sides[0]!.points) - 1e-9);
    }
  });

  it("asks nothing of anybody that its examples are for that half of their sends do not reach", () => {
    for (const name of patternNames) {
      const design = fromPattern(name);
      for (let { from: age } = design.ages; age <= design.ages.to; age++) {
        const sending = sendingIn(design, age);
        // What two sides fight for is not sent from a line at something.
        if (!sending || !opened(design).probes.some((probe) => fromLine(probe.ask))) continue;
        const far = asksAtMost(sending);
        for (const peg of opened(design).pegs) expect(peg.distance, `${name} ${age}`).toBeLessThanOrEqual(far);
        for (const [id, rate] of pegRates(design, { age })) expect(rate, `${name} ${age} ${id}`).toBeGreaterThan(0.1);
      }
    }
  });
  it("lets nothing into a thing without an opening, whatever a teacher wrote", () => {
    const design = fromPattern("climb");
    const p = structuredClone(design.pattern.params) as { ladder: { targets: { item: string; counts: string[] }[] } };
    for (const target of p.ladder.targets) target.counts = ["into"];
    const rates = pegRates(
      { ...design, aim: { ...design.aim, action: "underarmThrow" }, pattern: { name: "climb", params: p } } as never,
      { age: 8 },
    );
    expect(p.ladder.targets.map((target) => target.item)).toEqual(["bucket", "box", "book", "saucepan", "bottle"]);
    expect([...rates.values()].map((rate) => rate > 0)).toEqual([true, true, false, true, false]);
  });
  it("rates under the pegs fall with distance and rise with age", () => {
    const design = climb();
    const young = pegRates(design, { age: 6 });
    const old = pegRates(design, { age: 8 });
    expect(young.get("t1")!).toBeGreaterThan(young.get("t5")!);
    for (const id of ["t1", "t2", "t3"]) expect(old.get(id)!).toBeGreaterThan(young.get(id)!);
    expect(pegRates(fromPattern("bands"), { age: 7 }).size).toBe(4);
  });
});

describe("distribution", () => {
  it("keeps order, mass and quantiles", () => {
    const d = distribution(
      new Map([
        [3, 0.2],
        [1, 0.5],
        [2, 0.3],
      ]),
    );
    expect(d.at).toEqual([1, 2, 3]);
    expect(mean(d)).toBeCloseTo(1.7, 12);
    expect([quantile(d, 0.5), quantile(d, 0.51), quantile(d, 1)]).toEqual([1, 2, 3]);
  });
});
