import { describe, expect, it } from "vitest";
import { askOf } from "../../asks/ask.ts";
import type { Setup } from "../../contract/contract.ts";
import { match as matchSchema } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity } from "../../forecast/for-activity.ts";
import { fromPattern, gameSettingsOf, parseActivity } from "../../formats/activity.ts";
import { having, refusedBy, take } from "../../referee/playing.test-utils.ts";
import { openPlay, outlook, view } from "../../referee/referee.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { rally } from "./index.ts";
import { tellRally } from "./rally.reference.ts";
import type { RallyParams } from "./schema.ts";
import { rallyParams } from "./schema.ts";

const TWO: Setup = { players: 2, mode: "against", seed: 1 };
const serve = (by: string, every = 1, second = false) => ({ serve: { by, every, how: "hand", second } });
const point = (side: number | null, more = {}) => ({ kind: "point", side, ...more });
const begin = (change: object, setup = TWO, match = {}) =>
  openPlay(gameSettingsOf(having("rally", change, match)), setup);

describe("Rally: a second telling agrees", () => {
  const paramsOf = (draws: Draw): Drawn<RallyParams> => ({
    params: rallyParams.parse({
      ...rally.example.params,
      points: 1 + draws.upTo(5),
      lead: draws.chance(0.5),
      games: draws.one([1, 3, 5]),
      serve: {
        by: draws.one(["fixed", "alternate", "winner", "loser"]),
        every: 1 + draws.upTo(3),
        how: "hand",
        second: draws.chance(0.5),
      },
    }),
    match: matchSchema.parse({ carry: draws.chance(0.3), ...(draws.chance(0.3) && { seconds: 10 + draws.upTo(60) }) }),
  });
  const eventOf = (draws: Draw, at: number, _: RallyParams, legal: readonly string[]): GameEvent => {
    if (legal.includes("ready") && draws.chance(0.8)) return { kind: "ready", at };
    if (draws.chance(0.06)) return { kind: draws.one(["carry", "ready", "stand", "bell"]), at };
    const side = draws.chance(0.15) ? null : draws.chance(0.03) ? 4 : draws.upTo(1);
    const why =
      side === null ? draws.one(["let", "fault", "out"]) : draws.chance(0.2) ? draws.one(["net", "cheek"]) : undefined;
    return { kind: "point", at, side, ...(why && { why }), ...(draws.chance(0.2) && { n: draws.upTo(20) }) };
  };
  it("over seeded event sequences", () => {
    expect(run(rally.rules, tellRally, paramsOf, eventOf, ["against"])).toBeGreaterThan(SEQUENCES / 20);
  }, 400_000);
});

describe("Rally against each other", () => {
  it("counts points, says who serves, and a let replays the serve it was", () => {
    const play = begin(serve("alternate", 1, true));
    expect(view(play)).toMatchObject({ player: 0, from: "start" });
    const fault = take(play, point(null, { why: "fault" }));
    expect(view(fault).now.key).toBe("rally.second");
    expect(view(take(fault, point(null, { why: "let" }))).now.key).toBe("rally.second");
    expect(refusedBy(fault, point(null, { why: "fault" }))).toBe("refused.noSecond");
    const won = take(fault, point(1, { why: "net", n: 4 }));
    expect(view(won)).toMatchObject({ player: 1, from: "far", now: { key: "rally.serve" } });
    expect(view(won).score.map((score) => score.value)).toEqual([0, 1]);
    expect(outlook(won)).toHaveLength(3);
    expect(refusedBy(won, point(2))).toBe("refused.noSide");
    expect(refusedBy(begin(serve("fixed")), point(null, { why: "fault" }))).toBe("refused.noSecond");
  });

  it("plays the best of several, begun in turn; level at the bell is a draw, and the rally under way does not count", () => {
    const best = begin({ points: 1, games: 3, ...serve("winner") });
    const one = take(best, point(0));
    expect(view(one)).toMatchObject({ player: 1, done: null });
    const two = take(one, point(1), point(0));
    expect(view(two)).toMatchObject({ done: "over", ending: { winners: [0] } });
    expect(view(two).score[0]!.working).toBe("1:0, 0:1, 1:0");
    const clock = begin({}, TWO, { seconds: 60 });
    const level = take(clock, { kind: "ready" }, point(0), point(1), { kind: "bell", at: 60_000 });
    expect(view(level).ending).toMatchObject({ reason: { key: "rally.end.bell" }, winners: [0, 1] });
    expect(refusedBy(take(clock, { kind: "ready" }), { ...point(0), at: 60_001 })).toBe("refused.afterBell");
  });

  it("has sides of several, each serving in turn, head starts and another hand", () => {
    const setup: Setup = {
      players: 3,
      mode: "against",
      seed: 1,
      sides: [[0, 2], [1]],
      people: [{ role: "plays" }, { role: "plays", otherHand: true, head: 3 }, { role: "plays" }],
    };
    const play = begin(serve("alternate"), setup);
    expect(view(play).score.map((score) => score.value)).toEqual([0, 3]);
    const served = [0, 1, 2, 3].map((n) => view(take(play, ...Array.from({ length: n }, () => point(0)))).player);
    expect(served).toEqual([0, 1, 2, 1]);
    expect(askOf(view(take(play, point(0))).asks, "send")!.manner.hand).toBe("other");
  });

  it("is refused where several games have a bell, or goes are more than one", () => {
    const activity = fromPattern("rally");
    const bad = parseActivity({
      ...activity,
      match: { ...activity.match, seconds: 60 },
      pattern: { ...activity.pattern, params: { ...activity.pattern.params, games: 3 } },
    });
    expect(bad.ok ? [] : bad.problems.map((problem) => problem.field)).toEqual(["match.seconds"]);
  });
});

describe("Rally's chances to win, against the recursion", () => {
  const won = (change: object, s: number, r: number) =>
    forecastActivity(having("rally", change), [{ age: 8 }, { age: 8 }], TWO, "middle", {
      chances: { start: s, far: 1 - r },
      method: "exact",
    }).sides[0]!.win!;
  it("to seven, .7 on the own serve and .5 on the other's", () => {
    expect(won({ points: 7, ...serve("alternate", 1) }, 0.7, 0.5)).toBeCloseTo(0.7936, 4);
    // Whoever serves when, of thirteen points seven are on the same side's serve.
    for (const rule of [serve("alternate", 2), serve("winner")])
      expect(won({ points: 7, ...rule }, 0.7, 0.5)).toBeCloseTo(0.7935825625, 9);
    // Serving all the time it is the plain first to seven.
    const plain = (chance: number, count: number) => {
      const memo = new Map<string, number>();
      const of = (own: number, theirs: number): number => {
        if (own === count || theirs === count) return own === count ? 1 : 0;
        const key = `${own} ${theirs}`;
        if (!memo.has(key)) memo.set(key, chance * of(own + 1, theirs) + (1 - chance) * of(own, theirs + 1));
        return memo.get(key)!;
      };
      return of(0, 0);
    };
    expect(won({ points: 7, ...serve("fixed") }, 0.7, 0.5)).toBeCloseTo(plain(0.7, 7), 9);
  });
  it("won by two from deuce: s r / (s r + (1-s)(1-r))", () => {
    // From nought, with one point to win and two ahead, it is deuce from the start.
    const [s, r] = [0.7, 0.45];
    expect(won({ points: 1, lead: true, ...serve("alternate", 1) }, s, r)).toBeCloseTo(
      (s * r) / (s * r + (1 - s) * (1 - r)),
      9,
    );
    const deuce = (rule: object) => won({ points: 1, lead: true, ...rule }, 0.7, 0.5);
    expect(deuce(serve("alternate", 1))).toBeCloseTo(0.7, 9);
    expect(deuce(serve("alternate", 2))).toBeCloseTo(0.753165, 6);
    expect(deuce(serve("winner"))).toBeCloseTo(0.731343, 6);
    expect(deuce(serve("loser"))).toBeCloseTo(0.756757, 6);
  });
  it("serve as first touch: whoever serves wins a rally with p (1 - q) / (1 - p q)", () => {
    const activity = having("rally", serve("fixed"));
    const told = forecastActivity(activity, [{ age: 8 }, { age: 12 }], TWO, "middle");
    expect(told.sides[0]!.win! + told.sides[1]!.win!).toBeCloseTo(1, 9);
    expect(told.sides[1]!.win!).toBeGreaterThan(told.sides[0]!.win!);
    // A second serve helps whoever serves; a smaller court to cover helps whoever stands in it.
    const second = forecastActivity(having("rally", serve("fixed", 1, true)), [{ age: 8 }, { age: 8 }], TWO, "middle", {
      firstStarts: true,
    });
    const one = forecastActivity(activity, [{ age: 8 }, { age: 8 }], TWO, "middle", { firstStarts: true });
    expect(second.sides[0]!.win!).toBeGreaterThan(one.sides[0]!.win!);
    const small = having("rally", { ...serve("fixed"), far: { length: 1, width: 1 } });
    const smaller = forecastActivity(small, [{ age: 8 }, { age: 8 }], TWO, "middle", { firstStarts: true });
    expect(smaller.sides[1]!.win!).toBeGreaterThan(one.sides[1]!.win!);
  });
});

describe("Rally together, and alone", () => {
  it("counts touches; whoever drops it begins the next; the longest counts", () => {
    const play = begin({ rallies: 2 }, { players: 2, mode: "relay", seed: 1 });
    const touch = { kind: "count", n: 1 };
    const three = take(play, touch, touch, touch);
    expect(view(three)).toMatchObject({ player: 1, now: { key: "rally.keep" } });
    const dropped = take(three, { kind: "count", n: 0, drop: true });
    expect(view(dropped)).toMatchObject({ player: 1, now: { key: "rally.begin" } });
    const end = take(dropped, touch, { kind: "count", n: 0, drop: true });
    expect(view(end)).toMatchObject({ done: "over", ending: { winners: [] } });
    expect(view(end).score[0]).toMatchObject({ value: 3, unit: "touches" });
  });
  it("has the mean run of an alternating pair: p (1 + q) / (1 - p q), with equal chances p / (1 - p)", () => {
    const activity = having("rally", { rallies: 1 });
    const of = (players: number, mode: "alone" | "relay") =>
      forecastActivity(
        activity,
        Array.from({ length: players }, () => ({ age: 8 })),
        { players, mode, seed: 1 },
        "middle",
        {
          chances: { touch: 0.8 },
        },
      );
    expect(mean(of(2, "relay").sides[0]!.points)).toBeCloseTo(4, 6);
    expect(mean(of(1, "alone").sides[0]!.points)).toBeCloseTo(4, 6);
  });
});
