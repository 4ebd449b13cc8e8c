import { describe, expect, it } from "vitest";
import { askOf } from "../../asks/ask.ts";
import { isRefusal, type Setup } from "../../contract/contract.ts";
import { match as matchSchema } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity } from "../../forecast/for-activity.ts";
import { fromPattern, gameSettingsOf, parseActivity } from "../../formats/activity.ts";
import { stateOf } from "../../referee/play.ts";
import { having, refusedBy, take } from "../../referee/playing.test-utils.ts";
import { openPlay, type Play, view } from "../../referee/referee.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { tellBases } from "./bases.reference.ts";
import { circuit } from "./ground.ts";
import { bases } from "./index.ts";
import { OUTS } from "./limits.ts";
import { type BasesParams, basesParams } from "./schema.ts";

const TWO: Setup = { players: 2, mode: "against", seed: 1 };
const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };
const THREE: Setup = { players: 3, mode: "relay", seed: 1 };
const begin = (change: object = {}, setup = THREE, match = {}) =>
  openPlay(gameSettingsOf(having("bases", change, match)), setup);
const ran = (...reached: number[]) => ({ kind: "run", reached });
const call = (pick: string) => ({ kind: "choose", of: "waiting", pick });
const runners = (play: Play) => {
  const aim = askOf(view(play).asks, "send")?.aim;
  return aim?.kind === "bat" ? aim.runners : null;
};
const runsOf = (play: Play) => view(play).score.map((score) => score.value);

describe("Bases: a second telling agrees", () => {
  const paramsOf = (draws: Draw): Drawn<BasesParams> => {
    const outs = OUTS.filter(() => draws.chance(0.6));
    const trips = draws.chance(0.15);
    return {
      params: basesParams.parse({
        ...bases.example.params,
        bases: trips ? 1 : 1 + draws.upTo(3),
        trips,
        outs,
        turn: {
          by: outs.length > 0 ? draws.one(["outs", "batters"]) : "batters",
          outs: 1 + draws.upTo(2),
          batters: 1 + draws.upTo(4),
        },
        innings: 1 + draws.upTo(1),
        waiting: draws.chance(0.6),
      }),
      match: matchSchema.parse({
        carry: draws.chance(0.3),
        ...(draws.chance(0.3) && { seconds: 10 + draws.upTo(30) }),
      }),
    };
  };
  /** Runners move as anybody may say, within the bases there are and beyond them. */
  const eventOf = (draws: Draw, at: number, params: BasesParams, legal: readonly string[]): GameEvent => {
    if (legal.includes("ready") && draws.chance(0.8)) return { kind: "ready", at };
    if (legal.includes("total") && draws.chance(0.7)) return { kind: "total", at, n: draws.upTo(4) };
    if (draws.chance(0.1)) return { kind: draws.one(["carry", "ready", "stand", "bell"]), at };
    if (draws.chance(legal.includes("choose") ? 0.3 : 0.05))
      return { kind: "choose", at, of: "waiting", pick: `r${1 + draws.upTo(2)}` };
    if (draws.chance(0.15)) return { kind: "run", at, missed: true };
    if (draws.chance(0.15)) return { kind: "run", at, caught: true };
    const made = draws.upTo(params.bases + 1);
    const count = draws.one([1, 1, 1, 2, 2, 3]);
    const reached = Array.from({ length: count }, (_, i) =>
      i === count - 1 ? made : Math.min(params.bases + 1, 1 + draws.upTo(params.bases) + made),
    );
    return { kind: "run", at, reached, ...(draws.chance(0.25) && { out: [draws.upTo(count - 1)] }) };
  };
  it("over seeded event sequences", () => {
    expect(run(bases.rules, tellBases, paramsOf, eventOf, bases.modes)).toBeGreaterThan(SEQUENCES / 20);
  }, 400_000);
});

describe("Bases", () => {
  it("counts runs; whoever bats and is stopped before the first base is off; the rest stand on their bases", () => {
    const play = take(begin(), ran(1));
    expect(runners(play)).toEqual([1]);
    const two = take(play, ran(4, 2));
    expect([runsOf(two), runners(two)]).toEqual([[1], [2]]);
    const off = take(two, ran(2, 0));
    expect(runners(off)).toEqual([2]);
    expect(refusedBy(two, ran(1, 1))).toBe("refused.noSuchBase");
    expect(refusedBy(two, ran(1))).toBe("refused.everyRunner");
    expect(refusedBy(two, { kind: "run", caught: true })).toBe("refused.noSuchOut");
    // Two who end on one base may both stay.
    expect(runners(take(begin(), ran(1), ran(1, 1)))).toEqual([1, 1]);
  });
  it("a catch makes the play dead; the turn ends at once with the last out, and whoever was home before has scored", () => {
    const outs = { outs: ["caught", "tagged", "swings"], turn: { by: "outs", outs: 2, batters: 4 } };
    const play = take(begin(outs), ran(3));
    const caught = take(play, { kind: "run", caught: true });
    expect([runners(caught), runsOf(caught)]).toEqual([[3], [0]]);
    const last = take(caught, { kind: "run", reached: [4, 1], out: [1] });
    expect(runsOf(last)).toEqual([1]);
    expect(view(last).progress[0]!.stage).toBe(1);
    const strikes = take(begin(outs), { kind: "run", missed: true }, { kind: "run", missed: true });
    expect(view(strikes).player).toBe(0);
    expect(view(take(strikes, { kind: "run", missed: true })).player).toBe(1);
  });
  it("an invisible runner holds a base, moves as the batter does, and is out only where it is forced", () => {
    const play = begin({ outs: ["first"] }, ALONE);
    const full = take(play, ran(1));
    // Alone on a base: somebody has to wait there before the child bats again.
    expect(view(full).asks[0]).toMatchObject({ kind: "choose", of: "waiting", must: true });
    expect(refusedBy(full, ran(1, 1))).toBe("refused.callRunner");
    const called = take(full, call("r1"));
    expect(runners(called)).toEqual([1]);
    // It goes as far as the batter, whatever is said of it.
    expect(runners(take(called, ran(1, 2)))).toBeNull();
    expect(runners(take(called, ran(1, 2), call("r2")))).toEqual([3, 2]);
    // On the second base with the first one free it is not forced.
    const second = take(begin({ outs: ["first"] }, ALONE), ran(2), call("r1"));
    expect(refusedBy(second, { kind: "run", reached: [2, 1], out: [0] })).toBe("refused.notForced");
    expect(refusedBy(called, { kind: "run", reached: [1, 1], out: [0] })).toBeNull();
  });
  it("at the first base only somebody who is forced is out, a tag puts out anybody; before version 2 anybody was", () => {
    const out = { kind: "run", reached: [2, 1], out: [0] } as const;
    const on = (outs: string[]) => take(begin({ outs }, THREE), ran(2));
    expect(refusedBy(on(["first"]), out)).toBe("refused.notForced");
    expect(refusedBy(on(["tagged"]), out)).toBeNull();
    expect(refusedBy(take(begin({ outs: ["first"] }, THREE), ran(1)), { ...out, reached: [1, 1] })).toBeNull();
    const state = stateOf(on(["first"])) as Parameters<typeof bases.rules.step>[0];
    expect(isRefusal(bases.earlier![1]!.step(state, { ...out, at: 9, reached: [2, 1], out: [0] }))).toBe(false);
  });
  it("says how many were left on base", () => {
    const play = begin({ innings: 1, turn: { by: "batters", outs: 3, batters: 3 } }, THREE);
    expect(view(take(play, ran(4), ran(1), ran(1, 1))).score[0]!.working).toBe("{leftOnBase 2}");
  });
  it("innings go from side to side; level is a draw; a bell ends a turn", () => {
    const play = begin({ innings: 1, turn: { by: "batters", outs: 3, batters: 1 } }, TWO);
    const first = take(play, ran(4));
    expect(view(first)).toMatchObject({ player: 1, done: null });
    expect(view(take(first, ran(4))).ending).toMatchObject({ winners: [0, 1] });
    const bell = take(begin({ innings: 1 }, TWO, { seconds: 60 }), { kind: "ready" }, ran(4), {
      kind: "bell",
      at: 60_000,
    });
    expect(view(bell)).toMatchObject({ side: 1, asks: [{ kind: "ready" }] });
  });
  it("passes there and back counts trips", () => {
    const play = begin({ bases: 1, trips: true, innings: 1, turn: { by: "batters", outs: 3, batters: 2 } }, ALONE);
    const end = take(play, { kind: "total", n: 3 }, { kind: "total", n: 2 });
    expect(view(end).score[0]).toMatchObject({ value: 5, unit: "runs" });
  });
  it("with nobody out, n batters, C bases and every hit good for b: home after h = ceil((C+1)/b) hits, so max(0, n - h + 1) runs", () => {
    for (const [n, c, b] of [
      [4, 3, 1],
      [6, 3, 2],
      [5, 2, 3],
      [3, 4, 1],
      [8, 1, 1],
    ] as const) {
      let play = begin(
        { bases: c, innings: 1, turn: { by: "batters", outs: 3, batters: n } },
        { players: 6, mode: "relay", seed: 1 },
      );
      let left = 0;
      for (let i = 0; i < n; i++) {
        while (askOf(view(play).asks, "send") === undefined) play = take(play, call("r1"));
        const on = runners(play)!;
        play = take(play, ran(...on.map((x) => Math.min(c + 1, x + b)), Math.min(c + 1, b)));
        left = on.length;
      }
      const height = Math.ceil((c + 1) / b);
      expect(runsOf(play), `${n} ${c} ${b}`).toEqual([Math.max(0, n - height + 1)]);
      expect(left).toBeLessThanOrEqual(Math.max(0, height - 1));
      // The forecast of the same hits is the same.
      const told = forecastActivity(
        having("bases", { bases: c, innings: 1, turn: { by: "batters", outs: 3, batters: n } }),
        Array.from({ length: 6 }, () => ({ age: 8 })),
        { players: 6, mode: "relay", seed: 1 },
        "middle",
        { chances: chancesOf(c, b) },
      );
      expect(mean(told.sides[0]!.points), `${n} ${c} ${b}`).toBeCloseTo(Math.max(0, n - height + 1), 9);
    }
  });
  const chancesOf = (c: number, b: number) =>
    Object.fromEntries([
      ["missed", 0],
      ["caught", 0],
      ...Array.from({ length: c + 2 }, (_, k) => [`good${k}`, k === Math.min(c + 1, b) ? 1 : 0]),
    ]);
  it("has a circuit whose bases are as far from each other as it says, and is refused where it cannot be", () => {
    for (const count of [1, 2, 3, 4]) {
      const places = circuit({ bases: count, side: 4 });
      expect(places).toHaveLength(count + 1);
      for (const [i, at] of places.entries()) {
        const next = places[(i + 1) % places.length]!;
        if (count > 1 || i === 0) expect(Math.hypot(at.along - next.along, at.across - next.across)).toBeCloseTo(4, 1);
      }
    }
    const bad = (change: object) => {
      const activity = fromPattern("bases");
      const read = parseActivity({
        ...activity,
        pattern: { ...activity.pattern, params: { ...activity.pattern.params, ...change } },
      });
      return read.ok ? [] : read.problems.map((problem) => problem.field);
    };
    expect(bad({ trips: true })).toEqual(["pattern.params.bases"]);
    expect(bad({ turn: { by: "outs", outs: 3, batters: 4 } })).toEqual(["pattern.params.turn.by"]);
  });
  it("is forecast: shorter ways bring more runs, a better side wins more", () => {
    const told = (change: object, ages = [8, 8]) =>
      forecastActivity(
        having("bases", { innings: 1, ...change }),
        ages.map((age) => ({ age })),
        TWO,
        "middle",
      );
    expect(mean(told({ side: 2 }).sides[0]!.points)).toBeGreaterThan(mean(told({ side: 4 }).sides[0]!.points));
    const [older, younger] = told({}, [12, 6]).sides;
    expect(older!.win!).toBeGreaterThan(younger!.win!);
    expect(told({}).standardError).toBeLessThanOrEqual(0.01);
  });
});
