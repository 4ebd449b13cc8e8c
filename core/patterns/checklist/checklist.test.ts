import { describe, expect, it } from "vitest";
import { airTime, performerOf } from "../../aim/performer.ts";
import type { AskKind } from "../../asks/ask.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { catalogueItem } from "../../kit/catalogue.ts";
import { chainOf } from "../chain.test-utils.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { tellChecklist } from "./checklist.reference.ts";
import { checklist } from "./index.ts";
import { starsFor, taskId } from "./params.ts";
import { type ChecklistParams, checklistParams } from "./schema.ts";

const of = (over: object): ChecklistParams => checklistParams.parse({ ...checklist.example.params, ...over });
const [toss] = checklist.example.params.tasks;

function listOf(draws: Draw): Drawn<ChecklistParams> {
  const how = draws.one(["tick", "each"] as const);
  const need = draws.one(["done", "attempts"] as const);
  const params = of({
    tasks: Array.from({ length: 1 + draws.upTo(2) }, () => ({ ...toss, times: 1 + draws.upTo(2) })),
    how,
    need,
    order: draws.one(["free", "fixed"]),
    score: how === "each" && need === "done" ? draws.one(["times", "stars", "sends"]) : draws.one(["times", "stars"]),
  });
  const around = match.parse({
    seconds: draws.chance(0.25) ? 10 + draws.upTo(20) : null,
    goes: { count: 1 + draws.upTo(1), keep: draws.one(["best", "total"]) },
    swap: draws.one(["send", "miss", "go"]),
  });
  return { params, match: around };
}
function listEvent(draws: Draw, at: number, params: ChecklistParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.08)
    ? draws.one(["count", "ready", "bell", "choose"] as const)
    : (legal[draws.upTo(legal.length - 1)] ?? "count");
  if (kind === "choose") {
    if (draws.chance(0.06)) return { kind, at, of: "rest", pick: "rest" };
    const of = draws.chance(0.95) === (params.how === "tick") ? "tick" : "task";
    return { kind, at, of, pick: draws.chance(0.05) ? null : taskId(draws.upTo(params.tasks.length - 1)) };
  }
  if (kind !== "count") return { kind: kind as "ready", at };
  const drop = draws.chance(0.35);
  return { kind, at, n: draws.chance(drop ? 0.8 : 0.03) ? 0 : 1 + draws.upTo(1), ...(drop && { drop }) } as GameEvent;
}

describe("Checklist", () => {
  it("a second telling agrees", () => {
    expect(run(checklist.rules, tellChecklist, listOf, listEvent)).toBeGreaterThan(SEQUENCES / 20);
  }, 400_000);

  const each = (chance: number) => () =>
    [
      [{ kind: "count", n: 1 }, chance],
      [{ kind: "count", n: 0, drop: true }, 1 - chance],
    ] as const;
  it("needed successes are negative binomial, fixed attempts binomial", () => {
    const one = (over: object) => of({ tasks: [{ ...toss, times: 4 }], order: "fixed", how: "each", ...over });
    const needed = chainOf(checklist.rules, one({ need: "done", score: "sends" }), {
      match: USUAL_MATCH,
      waysOf: each(0.7),
    });
    expect(needed.value).toBeCloseTo(4 / 0.7, 8);
    const fixed = chainOf(checklist.rules, one({ need: "attempts" }), { match: USUAL_MATCH, waysOf: each(0.7) });
    expect(fixed.value).toBeCloseTo(4 * 0.7, 10);
    // Three stars for all four, two for two or three of them, one for one.
    const stars = chainOf(checklist.rules, one({ need: "attempts", score: "stars" }), {
      match: USUAL_MATCH,
      waysOf: each(0.5),
    });
    expect(stars.value).toBeCloseTo((1 * 3 + 10 * 2 + 4 * 1) / 16, 10);
  });
  it("a balance with a chance to be lost each tenth holds t seconds with (1 - q)^(10 t)", () => {
    const ball = catalogueItem("sockBall")!;
    const p = (seconds: number) => performerOf(8, ball, "carpet", { id: "balance", seconds }, {}).p;
    expect(p(10)).toBeCloseTo((1 - 0.006) ** 100, 12);
    expect(p(20)).toBeCloseTo(p(10) ** 2, 12);
    expect(performerOf(6, ball, "carpet", { id: "balance", seconds: 10 }, {}).p).toBeLessThan(p(10));
  });
  it("a higher toss buys time and is harder to catch; without the time it cannot be done", () => {
    const ball = catalogueItem("sockBall")!;
    const p = (id: "catch" | "turn", height: number) => performerOf(9, ball, "carpet", { id, height }, {}).p;
    expect(airTime(1)).toBeCloseTo(2 * Math.sqrt(2 / 9.81), 12);
    expect(p("turn", 1)).toBe(0);
    expect(p("turn", 2)).toBeGreaterThan(0.3);
    expect(p("catch", 3)).toBeLessThan(p("catch", 0.6));
  });
  it("counts stars: one for any, two for half, three for all", () => {
    expect([0, 1, 7, 8, 15, 16].map((n) => starsFor(n, 16))).toEqual([0, 1, 1, 2, 2, 3]);
  });
  it("refuses no tasks, zero times, a toss without its time, and a score that nobody can tell", () => {
    const issue = (over: object) =>
      checklistParams.safeParse({ ...checklist.example.params, ...over }).error?.issues[0];
    expect(issue({ tasks: [] })?.message).toBe("a list needs at least 1 task");
    expect(issue({ tasks: [{ ...toss, times: 0 }] })?.path).toEqual(["tasks", 0, "times"]);
    expect(issue({ tasks: [{ ...toss, task: "turn", height: 1 }] })?.path).toEqual(["tasks", 0, "height"]);
    expect(checklist.problems(of({ how: "tick", score: "sends" }), USUAL_MATCH)[0]?.path).toEqual(["params", "score"]);
  });
});
