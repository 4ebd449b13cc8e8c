import { describe, expect, it } from "vitest";
import type { AskKind } from "../../asks/ask.ts";
import { USUAL_MATCH } from "../../contract/match.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import { pegRates } from "../../forecast/for-activity.ts";
import { fromPattern } from "../../formats/activity.ts";
import { canCatchUp, fieldable, fieldedAt, inReach, longestRoll, slowsInAir, timeAt } from "../../physics/chase.ts";
import { chainOf } from "../chain.test-utils.ts";
import { type Draw, type Drawn, run, SEQUENCES } from "../reference.test-utils.ts";
import { passLadder } from "./index.ts";
import { markId } from "./limits.ts";
import { tellPassLadder } from "./pass-ladder.reference.ts";
import { type PassParams, passParams } from "./schema.ts";

const of = (over: object): PassParams => passParams.parse({ ...passLadder.example.params, ...over });
const container = {
  kind: "container",
  target: { id: "container", item: "bucket", label: "", across: 0, width: 0.28, height: 0.28, counts: ["into"] },
};

function passOf(draws: Draw): Drawn<PassParams> {
  const params = of({
    marks: [1, 1.6, 2.2, 3].slice(0, 1 + draws.upTo(3)),
    way: draws.one([{ kind: "chase", turn: 1 }, { kind: "pair", bounce: true }, container]),
    passes: 1 + draws.upTo(2),
    drop: draws.one(["repeat", "stay", "back"]),
    sends: 2 + draws.upTo(8),
    score: draws.one(["marks", "passes"]),
  });
  const around = match.parse({
    seconds: draws.chance(0.25) ? 10 + draws.upTo(20) : null,
    goes: { count: 1 + draws.upTo(1), keep: draws.one(["best", "total"]) },
    swap: draws.one(["go", "miss", "send"]),
  });
  return { params, match: around };
}
function passEvent(draws: Draw, at: number, params: PassParams, legal: readonly AskKind[]): GameEvent {
  const kind = draws.chance(0.06)
    ? draws.one(["send", "ready", "bell"] as const)
    : (legal[draws.upTo(legal.length - 1)] ?? "send");
  if (kind !== "send") return { kind: kind as "ready", at };
  // Mostly at one of the first marks, so that a try often is at the one that counts.
  const mark = markId(draws.upTo(params.marks.length - 1));
  if (params.way.kind === "container") return { kind, at, hit: draws.chance(0.25) ? null : mark };
  return { kind, at, rest: draws.chance(0.6) ? mark : draws.one(["over", "short"]) };
}

describe("Pass ladder", () => {
  it("a second telling agrees", () => {
    expect(run(passLadder.rules, tellPassLadder, passOf, passEvent)).toBeGreaterThan(SEQUENCES / 40);
  }, 400_000);

  it("as a team what somebody else sends is a drop, and it stays the turn of whoever it was; before version 2 it counted", () => {
    const pair = { players: 2, mode: "relay", seed: 1 } as const;
    const params = of({
      marks: [1, 2, 3],
      way: { kind: "pair", bounce: false },
      passes: 1,
      drop: "repeat",
      score: "passes",
    });
    const played = (rules: typeof passLadder.rules, ...by: number[]) => {
      let state = rules.start(params, USUAL_MATCH, pair);
      for (const who of by) {
        const [ask] = rules.asks(state);
        const rest = ask?.kind === "send" && "mark" in ask.aim ? ask.aim.mark : "";
        state = rules.step(state, { kind: "send", at: 0, rest, by: who }) as typeof state;
      }
      return [rules.score(state)[0]!.value, rules.turn(state).player];
    };
    expect(played(passLadder.rules, 0)).toEqual([1, 1]);
    expect(played(passLadder.rules, 0, 0)).toEqual([1, 1]);
    expect(played(passLadder.earlier![1] as typeof passLadder.rules, 0, 0)).toEqual([2, 0]);
  });

  it("the slowest roll that reaches a mark is what anybody has time for", () => {
    const how = { slows: 0.5, turn: 1, run: 3 };
    expect(longestRoll(5, 0.5)).toBeCloseTo(4.472, 3);
    expect(how.turn + 5 / how.run).toBeCloseTo(2.667, 3);
    expect(canCatchUp(5, how)).toBe(true);
    expect(canCatchUp(5, { ...how, run: 1.4 })).toBe(false);
    const met = fieldedAt(2.3, how)!;
    expect(met.seconds).toBeCloseTo(2.336308, 6);
    expect(met.metres).toBeCloseTo(4.008924, 5);
    expect(timeAt(3, 5, 0.5)).toBeCloseTo(2, 12);
    expect(fieldedAt(3, how)!.metres).toBeGreaterThan(5);
    const window = fieldable(4, 5, how)!;
    // At both ends it is just in time.
    expect(fieldedAt(Math.sqrt(2 * 0.5 * window.to), how)!.metres).toBeCloseTo(5, 6);
    expect(window.from).toBeGreaterThanOrEqual(4);
    expect(fieldable(4, 5, { ...how, run: 1.2 })).toBeNull();
  });

  it("so many clean ones at each mark, a drop staying, is negative binomial", () => {
    const p = 0.6;
    const params = of({ marks: [1, 2], passes: 3, drop: "stay", sends: null });
    const mean = chainOf(passLadder.rules, params, {
      match: USUAL_MATCH,
      waysOf: (state) => {
        const { mark } = passLadder.rules.turn(state).now.params as { mark: number };
        return [
          [{ kind: "send", rest: `m${mark}` }, p],
          [{ kind: "send", rest: "over" }, 1 - p],
        ];
      },
    }).events;
    expect(mean).toBeCloseTo(6 / p, 7);
    // One that lay still before anybody was there is spent, and neither caught nor dropped.
    let s = passLadder.rules.start(of({ drop: "back" }), USUAL_MATCH, { players: 1, mode: "alone", seed: 1 });
    s = passLadder.rules.step(s, { kind: "send", at: 0, rest: "m1" }) as typeof s;
    s = passLadder.rules.step(s, { kind: "send", at: 1, rest: "short" }) as typeof s;
    expect(passLadder.rules.turn(s).now.params).toMatchObject({ mark: 1, left: 2 });
    expect(passLadder.rules.progress(s)[0]!.sends).toBe(2);
  });

  it("older children field farther out, and each mark has a chance for the middle child", () => {
    const activity = fromPattern("passLadder");
    const [six, nine] = [6, 9].map((age) => pegRates(activity, { age }));
    for (const id of ["m1", "m2", "m3"]) {
      expect(nine!.get(id), id).toBeGreaterThan(0.1);
      expect(nine!.get(id)).toBeGreaterThan(six!.get(id)!);
    }
  });

  it("what is tossed up flies as long as it takes to come down, and nobody gets to where it is down before", () => {
    const chase = (marks: number[], turn: number, action = "underarmThrow") => ({
      ...fromPattern("passLadder"),
      aim: { ...fromPattern("passLadder").aim, action },
      pattern: { name: "passLadder", params: of({ marks, way: { kind: "chase", turn } }) },
    });
    const at = (marks: number[], turn: number, age = 8) => pegRates(chase(marks, turn) as never, { age });
    // Without a turn a child of 8 is there; with two seconds of it nobody is.
    expect(at([1, 1.6], 0).get("m1")).toBeGreaterThan(0.1);
    expect(at([1, 1.6], 2, 12).get("m1")).toBe(0);
    expect(at([1, 1.6], 0, 10).get("m2")).toBeGreaterThan(at([1, 1.6], 0, 6).get("m2")!);
    // In the air sqrt(2 L tan(a) / g): 45 degrees over 2 m are 0.6386 s.
    expect(longestRoll(2, slowsInAir(Math.PI / 4))).toBeCloseTo(Math.sqrt(4 / 9.81), 9);
    const how = { slows: 0.5, turn: 1, run: 3 };
    const { least, most } = inReach(how)!;
    for (const l of [least, most]) expect(how.turn + l / how.run).toBeCloseTo(longestRoll(l, 0.5), 9);
    expect(inReach({ ...how, turn: 5 })).toBeNull();
  });

  it("refuses marks that do not grow, and a ladder without an end", () => {
    expect(passParams.safeParse({ ...passLadder.example.params, marks: [2, 2] }).error?.issues[0]?.message).toMatch(
      /^mark 2 \(2 m\) must be at least 0.05 m farther than mark 1/,
    );
    expect(passLadder.problems(of({ sends: null }), USUAL_MATCH)[0]?.path).toEqual(["params", "sends"]);
  });
});
