import { describe, expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { isRefusal } from "../../contract/contract.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { stackUp } from "./index.ts";
import { idsUpTo } from "./params.ts";
import { type StackParams, stackParams } from "./schema.ts";
import { tellStackUp } from "./stack-up.reference.ts";

function stackOf(draws: Draw): Drawn<StackParams> {
  const shared = draws.chance(0.3);
  const again = draws.chance(0.3);
  const params = stackParams.parse({
    ...stackUp.example.params,
    full: 3,
    sends: 1 + draws.upTo(2),
    rounds: 2 + draws.upTo(7),
    firstEnds: draws.chance(0.3),
    after: again ? "again" : "stop",
    score: draws.one(again ? ["row", "felled"] : ["row", "felled", "rounds"]),
    heap: shared ? "shared" : "own",
  });
  const around = match.parse({
    seconds: !shared && draws.chance(0.25) ? 10 + draws.upTo(20) : null,
    goes: { count: shared ? 1 : 1 + draws.upTo(1), keep: draws.one(["best", "total"]) },
    end: draws.one(["all", "first"]),
  });
  return { params, match: around };
}
function stackEvent(draws: Draw, at: number, _: StackParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.06)
    ? draws.one(["send", "ready", "bell", "stand"] as const)
    : (legal[draws.upTo(legal.length - 1)] ?? "send");
  if (kind !== "send") return { kind: kind as "ready", at };
  if (draws.chance(0.3)) return { kind, at, fell: draws.upTo(3) };
  const most = 1 + draws.upTo(2);
  return { kind, at, fell: idsUpTo(3).filter((_, i) => i < most && draws.chance(0.7)) };
}

describe("Stack-up", () => {
  it("a second telling agrees", () => {
    expect(run(stackUp.rules, tellStackUp, stackOf, stackEvent)).toBeGreaterThan(SEQUENCES / 30);
  }, 400_000);

  it("over .9 .75 .6 .5 to clear a row takes 10.419753 rounds from one pin", () => {
    const clear = [0.9, 0.75, 0.6, 0.5];
    const params = stackParams.parse({ ...stackUp.example.params, full: 4, sends: 1, rounds: null, score: "rounds" });
    const { rules } = stackUp;
    // Every round is one send that clears the row or not; standing up between them takes no chance.
    let now = new Map([
      ["1", { state: rules.start(params, USUAL_MATCH, { players: 1, mode: "alone", seed: 1 }), p: 1 }],
    ]);
    let rounds = 0;
    let done = 0;
    for (let n = 0; n < 2000; n++) {
      const next: typeof now = new Map();
      for (const { state, p: share } of now.values()) {
        const [ask] = rules.asks(state);
        const row = ask!.kind === "send" && ask!.aim.kind === "fall" ? ask!.aim.standing.length : 0;
        for (const [fell, q] of [
          [row, clear[row - 1]!],
          [0, 1 - clear[row - 1]!],
        ] as const) {
          let after = rules.step(state, { kind: "send", at: 0, fell });
          if (isRefusal(after)) throw new Error(after.refused.key);
          if (rules.ending(after)) {
            done += share * q;
            rounds += share * q * rules.score(after)[0]!.value;
            continue;
          }
          after = rules.step(after, { kind: "stand", at: 0 });
          if (isRefusal(after)) throw new Error(after.refused.key);
          const [then] = rules.asks(after);
          const key = then!.kind === "send" && then!.aim.kind === "fall" ? `${then!.aim.standing.length}` : "";
          const old = next.get(key);
          next.set(key, { state: after, p: (old?.p ?? 0) + share * q });
        }
      }
      now = next;
    }
    expect(done).toBeCloseTo(1, 12);
    expect(Math.abs(rounds - 10.419753)).toBeLessThan(1e-6);
    // By the birth-and-death chain: up from n with c, down with 1 - c, stays at one.
    let up = 1 / clear[0]!;
    let total = up;
    for (const c of clear.slice(1)) {
      up = (1 + (1 - c) * up) / c;
      total += up;
    }
    expect(Math.abs(rounds - total)).toBeLessThan(1e-9);
  });

  it("begins again one line back, counting whole rows", () => {
    const params = stackParams.parse({ ...stackUp.example.params, full: 3, after: "again", rounds: 9 });
    const { rules } = stackUp;
    let state = rules.start(params, USUAL_MATCH, { players: 1, mode: "alone", seed: 1 });
    const on = (e: object) => {
      const after = rules.step(state, { at: 0, ...e } as GameEvent);
      if (isRefusal(after)) throw new Error(after.refused.key);
      state = after;
    };
    for (const count of [1, 2, 3]) {
      on({ kind: "send", fell: count });
      on({ kind: "stand" });
    }
    expect(rules.asks(state)[0]).toMatchObject({ from: "l2" });
    expect(rules.turn(state).now.params).toMatchObject({ line: 2, left: 1 });
    expect(rules.score(state)[0]).toMatchObject({ value: 3, unit: "pins" });
    on({ kind: "send", fell: ["p1"] });
    expect(rules.score(state)[0]).toMatchObject({ value: 4, working: "3 + 1 = 4" });
    const twice = rules.step(state, { kind: "send", at: 0, fell: 1 });
    expect(isRefusal(twice) && twice.refused.key).toBe("refused.standFirst");
  });

  it("refuses what would never end or says nothing, by its field", () => {
    const params = stackUp.example.params;
    const paths = (over: object, m: object = {}) =>
      stackUp.problems({ ...params, ...over }, match.parse(m)).map((problem) => problem.path.join("."));
    expect(paths({})).toEqual([]);
    expect(paths({ after: "again", score: "rounds" })).toEqual(["params.after"]);
    expect(paths({ after: "again", rounds: null })).toEqual(["params.rounds"]);
    expect(paths({ heap: "shared" }, { seconds: 60 })).toEqual(["params.heap"]);
    expect(stackParams.safeParse({ ...params, full: 2 }).error?.issues[0]?.message).toMatch(/full.*3/);
  });
});
