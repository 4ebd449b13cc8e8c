import { describe, expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity, personOf } from "../../forecast/for-activity.ts";
import { type Activity, fromPattern } from "../../formats/activity.ts";
import { chainOf } from "../chain.test-utils.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { streak } from "./index.ts";
import { MAX_RUN } from "./limits.ts";
import { possible } from "./rules.ts";
import { type StreakParams, streakParams } from "./schema.ts";
import { tellStreak } from "./streak.reference.ts";

const [first] = streak.example.params.stages;
const alone = { players: 1, mode: "alone", seed: 1 } as const;
const of = (over: object): StreakParams => streakParams.parse({ ...streak.example.params, ...over });

function streakOf(draws: Draw): Drawn<StreakParams> {
  const count = 1 + draws.upTo(2);
  const params = of({
    stages: Array.from({ length: count }, (_, i) => ({
      ...first,
      count: i === count - 1 && draws.chance(0.4) ? null : 1 + draws.upTo(3),
      inAll: draws.chance(0.2),
    })),
    drop: draws.one(["resets", "costsOne", "ends"]),
    tries: 1 + draws.upTo(4),
    stays: draws.chance(0.6),
    score: draws.one(["run", "stage", "sum"]),
  });
  const around = match.parse({
    seconds: draws.chance(0.3) ? 10 + draws.upTo(20) : null,
    goes: { count: 1 + draws.upTo(1), keep: draws.one(["best", "total"]) },
    swap: draws.one(["miss", "go"]),
  });
  return { params, match: around };
}
function streakEvent(draws: Draw, at: number, _: StreakParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.06)
    ? draws.one(["count", "ready", "bell", "total"] as const)
    : (legal[draws.upTo(legal.length - 1)] ?? "count");
  if (kind === "total") return { kind, at, n: draws.upTo(4) };
  if (kind !== "count") return { kind: kind as "ready", at };
  const drop = draws.chance(0.3);
  return {
    kind,
    at,
    n: draws.chance(drop ? 0.7 : 0.02) ? 0 : 1 + draws.upTo(draws.chance(0.8) ? 0 : 2),
    ...(drop && { drop }),
  } as GameEvent;
}

describe("Streak", () => {
  it("a second telling agrees", () => {
    expect(run(streak.rules, tellStreak, streakOf, streakEvent)).toBeGreaterThan(SEQUENCES / 30);
  }, 400_000);

  it("as a team a touch out of turn is a drop, and whoever dropped it begins again; before version 2 it counted", () => {
    const pair = { players: 2, mode: "relay", seed: 1 } as const;
    const events = [0, 1, 1, 1, 0].map((by, at) => ({ kind: "count" as const, at, n: 1, by }));
    const scored = (rules: typeof streak.rules) => {
      let state = rules.start(
        of({ stages: [{ ...first, count: null }], tries: 9, drop: "resets", score: "run" }),
        USUAL_MATCH,
        pair,
      );
      for (const event of events) state = rules.step(state, event) as typeof state;
      return [rules.score(state)[0]!.value, rules.progress(state)[0]!.sends];
    };
    expect(scored(streak.rules)).toEqual([2, 1]);
    expect(scored(streak.earlier![1] as typeof streak.rules)).toEqual([5, 0]);
  });

  it("a run that is typed stands for its taps, more or fewer of them; what was before it stays", () => {
    const best = (rules: typeof streak.rules, ...events: object[]) => {
      let state = rules.start(
        of({ stages: [{ ...first, count: null }], tries: 9, drop: "resets", score: "run" }),
        USUAL_MATCH,
        alone,
      );
      for (const event of events) state = rules.step(state, { ...event, at: 0 } as GameEvent) as typeof state;
      return rules.score(state)[0]!.value;
    };
    const taps = (count: number) => ({ kind: "count", n: count }) as const;
    const typed = (count: number) => ({ kind: "total", n: count }) as const;
    expect(best(streak.rules, taps(7), typed(5))).toBe(5);
    expect(best(streak.rules, taps(7), typed(9))).toBe(9);
    expect(best(streak.rules, taps(6), { kind: "count", n: 0, drop: true }, taps(8), typed(3))).toBe(6);
    expect(best(streak.earlier![1] as typeof streak.rules, taps(7), typed(5))).toBe(7);
  });

  const touches = (chance: number, over: object) =>
    chainOf(streak.rules, of({ tries: null, ...over }), {
      match: USUAL_MATCH,
      waysOf: () => [
        [{ kind: "count", n: 1 }, chance],
        [{ kind: "count", n: 0, drop: true }, 1 - chance],
      ],
    }).events;
  const inRow = (count: number) => ({ stages: [{ ...first, count }] });

  // States hold how often it was dropped, so that few of these run to the last play: the counter is what matters.
  it.each([
    [4, 0.8],
    [3, 0.5],
    [5, 1],
    [1, 0.4],
  ])("%i in a row at %f takes (1 - p^k) / (p^k (1 - p)) touches where a drop resets", (k, chance) => {
    const mean = chance === 1 ? k : (1 - chance ** k) / (chance ** k * (1 - chance));
    expect(touches(chance, inRow(k))).toBeCloseTo(mean, 6);
  });
  it("a run of six at .8 takes 14.073486, and five at .8 take 7.778 where a drop costs one", () => {
    expect(touches(0.8, inRow(6))).toBeCloseTo(14.073486, 6);
    expect(touches(0.8, { ...inRow(5), drop: "costsOne" })).toBeCloseTo(7.778, 3);
  });
  it("so many in all is negative binomial", () => {
    expect(touches(0.6, { stages: [{ ...first, count: 4, inAll: true }] })).toBeCloseTo(4 / 0.6, 6);
  });
  it("an alternating pair keeps it up pA (1 + pB) / (1 - pA pB) times on average", () => {
    const [age, b] = [0.9, 0.7];
    const params = of({ stages: [{ ...first, count: null }], drop: "ends", tries: null, score: "run" });
    const { value } = chainOf(streak.rules, params, {
      match: USUAL_MATCH,
      waysOf: (state) => {
        const kept = streak.rules.turn(state).player === 0 ? age : b;
        return [
          [{ kind: "count", n: 1 }, kept],
          [{ kind: "count", n: 0, drop: true }, 1 - kept],
        ];
      },
      setup: { players: 2, mode: "relay", seed: 1 },
    });
    expect(value).toBeCloseTo((age * (1 + b)) / (1 - age * b), 6);
  });

  it("counts seconds held still and steps carried by the chance of each, and says what it is in", () => {
    const doc = (over: Partial<StreakParams["stages"][number]>): Activity => {
      const stages = [{ ...first, count: null, inAll: false, hand: "usual" as const, ...over }];
      const params = of({ stages, tries: 1, drop: "ends", score: "run" });
      return { ...fromPattern("streak"), pattern: { name: "streak", params } };
    };
    const runOf = (over: Partial<StreakParams["stages"][number]>, age = 8) => {
      const activity = doc(over);
      const forecast = forecastActivity(activity, [{ age }], alone, "middle");
      const chance = personOf(activity, { age }).does(
        over.task === "balance" ? { id: "balance", seconds: 1 } : { id: "carry", metres: 0.5 },
        {},
      ).p;
      // The longest run is the only one: geometric, cut at its most.
      expect(mean(forecast.sides[0]!.points)).toBeCloseTo((chance * (1 - chance ** MAX_RUN)) / (1 - chance), 4);
      return chance;
    };
    expect(runOf({ task: "balance" })).toBeGreaterThan(runOf({ task: "balance" }, 5));
    expect(runOf({ task: "carry" })).toBeGreaterThan(0.9);
    const unit = (...tasks: StreakParams["stages"][number]["task"][]) =>
      possible(of({ stages: tasks.map((task) => ({ ...first, task, count: 5 })), score: "run" }), USUAL_MATCH).unit;
    expect([unit("balance"), unit("carry"), unit("touch", "catch"), unit("touch", "carry")]).toEqual([
      "seconds",
      "steps",
      "touches",
      "times",
    ]);
  });
  it("both hands catch more than one, and the other one less", () => {
    const p = (hand: "usual" | "other" | "both") =>
      personOf(fromPattern("streak"), { age: 7 }).does({ id: "catch", height: 0.6 }, hand === "usual" ? {} : { hand })
        .p;
    expect(p("both")).toBeGreaterThan(p("usual"));
    expect(p("other")).toBeLessThan(p("usual"));
  });

  it("refuses a stage that nobody can pass, and a run that never ends, by the field", () => {
    const { params } = fromPattern("streak").pattern as { params: StreakParams };
    const bad = (over: object) =>
      streakParams.safeParse({ ...params, stages: [{ ...first, ...over }] }).error?.issues[0];
    expect(bad({ task: "turn", height: 0.5 })?.message).toBe(
      "stage 1 is impossible: a toss of 0.5 m is too low for it. Toss higher.",
    );
    expect(bad({ count: 0 })?.path).toEqual(["stages", 0, "count"]);
    const open = of({ stages: [{ ...first, count: null }], tries: null });
    expect(streak.problems(open, USUAL_MATCH)[0]?.path).toEqual(["params", "tries"]);
    expect(streak.problems(open, match.parse({ seconds: 30 }))).toEqual([]);
  });
});
