import { describe, expect, it } from "vitest";
import { askOf } from "../../asks/ask.ts";
import { isRefusal, type Mode } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import { match } from "../../contract/match-schema.ts";
import type { GameEvent } from "../../events/events.ts";
import type { MatchState } from "../../match/match-state.ts";
import { climb as pattern } from "./index.ts";
import type { Climber } from "./rules.ts";
import type { ClimbParams } from "./schema.ts";
import { climbParams } from "./schema.ts";

type Whole = ClimbParams & Match;
type Change = Partial<Whole>;
const climb = pattern.rules;
const base = pattern.example.params;
/** Parameters and the match around them. */
const split = ({ goes, swap, end, seconds, carry, foot, calls, ...p }: Whole) =>
  [climbParams.parse(p), match.parse({ goes, swap, end, seconds, carry, foot, calls })] as const;
const three = {
  ...base.ladder,
  targets: (base.ladder as { targets: unknown[] }).targets.slice(0, 3),
} as ClimbParams["ladder"];
const params = (change: Change = {}): Whole => ({ ...base, ladder: three, ...pattern.match.initial, ...change });

/** Plays a short script: `t1` a hit on that target, `-` a miss, `!` a forfeit done, `>` start, `bell`; a number waits so many seconds. */
function play(whole: Whole, script: string, mode: Mode = "alone", players = 1): MatchState<ClimbParams, Climber> {
  let state = climb.start(...split(whole), { players, mode, seed: 1 });
  let at = 0;
  for (const word of script.split(" ").filter(Boolean)) {
    if (/^\d+$/.test(word)) {
      at += Number(word) * 1000;
      continue;
    }
    const event: GameEvent =
      word === "!"
        ? { kind: "task", at }
        : word === ">"
          ? { kind: "ready", at }
          : word === "bell"
            ? { kind: "bell", at }
            : { kind: "send", at, hit: word === "-" ? null : word };
    const after = climb.step(state, event);
    if (isRefusal(after)) throw new Error(`${word}: ${after.refused.key}`);
    state = after;
  }
  return state;
}
const value = (state: MatchState<ClimbParams, Climber>, side = 0) => climb.score(state)[side]!.value;

describe("Climb", () => {
  it("moves on after a hit, repeats after a miss, and spends a try on another target", () => {
    const state = play(params(), "t1 - t3 t2");
    expect(climb.turn(state).now.params).toMatchObject({ label: "book", number: 3 });
    expect(climb.progress(state)[0]).toMatchObject({ sends: 4, stage: 2, stages: 3, finished: false });
    expect(climb.done(state)).toEqual(["t1", "t2"]);
  });

  it("ends at the top, or when the tries run out", () => {
    expect(climb.ending(play(params(), "t1 t2 t3"))!.reason.key).toBe("climb.end.top");
    expect(climb.ending(play(params({ tries: 2 }), "t1 -"))!.reason.key).toBe("climb.end.spent");
    expect(climb.ending(play(params({ tries: 3 }), "t1 t2 t3"))!.reason.key).toBe("climb.end.top");
    expect(climb.ending(play(params({ tries: null }), "- - - - - - - - - - - - - - - - - - - -"))).toBeNull();
  });

  it("takes targets nearest first, farthest first or as listed", () => {
    const order = (option: "nearest" | "farthest" | "listed") => {
      const layout = three as Extract<ClimbParams["ladder"], { kind: "targets" }>;
      const whole = params({
        ladder: { ...layout, order: option, targets: [layout.targets[1]!, layout.targets[2]!, layout.targets[0]!] },
      });
      return climb.start(...split(whole), { players: 1, mode: "alone", seed: 1 }).sides[0]!.go.rungs;
    };
    expect(order("nearest")).toEqual(["t1", "t2", "t3"]);
    expect(order("farthest")).toEqual(["t3", "t2", "t1"]);
    expect(order("listed")).toEqual(["t2", "t3", "t1"]);
  });

  it("counts points that grow with each rung, with the sum to read", () => {
    const state = play(params({ scoring: { by: "points", first: 2, growth: 3 } }), "t1 - t2");
    expect(climb.score(state)[0]).toMatchObject({ value: 7, working: "2 + 5 = 7", unit: "points" });
  });

  it("scores by fewest tries: reaching the top beats any number of sends below it", () => {
    const whole = params({ scoring: { by: "tries" }, swap: "go" });
    const state = play({ ...whole, tries: 4 }, "t1 - t2 t3 t1 t2 - -", "against", 2);
    expect([value(state, 0), value(state, 1)]).toEqual([4, 4]);
    expect(climb.ending(state)!.winners).toEqual([0]);
  });

  it("scores by time from each player's own start, a whole go each", () => {
    const whole = params({ scoring: { by: "time" } });
    const state = play(whole, "5 > 10 t1 2 t2 3 t3 60 > 4 t1 4 t2 4 t3", "against", 2);
    expect([value(state, 0), value(state, 1)]).toEqual([150, 120]);
    expect(climb.ending(state)!.winners).toEqual([1]);
  });

  it("rings a bell that ends the go, and takes nothing after it", () => {
    const whole = params({ seconds: 30 });
    const state = play(whole, "2 > 10 t1 10 -");
    expect(askOf(climb.asks(state), "bell")).toMatchObject({ dueAt: 32_000 });
    expect(climb.step(state, { kind: "send", at: 32_001, hit: "t2" })).toEqual({
      refused: { key: "refused.afterBell" },
    });
    expect(climb.step(state, { kind: "bell", at: 31_000 })).toEqual({
      refused: { key: "refused.bellEarly", params: { seconds: 1 } },
    });
    expect(climb.ending(play(whole, "2 > 10 t1 20 bell"))!.reason.key).toBe("climb.end.spent");
  });

  it("moves the line back a level with every hit on the one target", () => {
    const { distance: _, ...target } = (three as Extract<ClimbParams["ladder"], { kind: "targets" }>).targets[0]!;
    const whole = params({ ladder: { kind: "line", target, lines: [1, 2, 3] } });
    const state = play(whole, "t1 - t1");
    expect(climb.turn(state).now).toEqual({
      key: "climb.line",
      params: { label: "bucket", item: "bucket", line: 3, lines: 3 },
    });
    expect(climb.asks(state)[0]).toMatchObject({ kind: "send", from: "l3", aim: { want: ["t1"] } });
    const parts = pattern.ground.parts(whole, { length: 4, width: 2 });
    const at = (id: string) => parts.find((part) => part.id === id) as { along: number };
    expect(at("t1").along - at("l3").along).toBeCloseTo(3, 10);
  });

  it("asks for the forfeit each time the misses are spent, and for nothing else until it is done", () => {
    const whole = params({ forfeit: { misses: 2, exercise: "hops", dose: 6 } });
    const owing = play(whole, "- -");
    expect(climb.asks(owing)).toMatchObject([{ kind: "task", exercise: "hops", dose: 6 }]);
    expect(climb.step(owing, { kind: "send", at: 0, hit: null })).toEqual({
      refused: { key: "refused.forfeitFirst", params: { exercise: "hops" } },
    });
    expect(climb.asks(play(whole, "- - ! -"))[0]!.kind).toBe("send");
    expect(climb.asks(play(whole, "- - ! - -"))[0]!.kind).toBe("task");
    expect(climb.asks(play(whole, "- t1 -"))[0]!.kind).toBe("task");
  });

  it("asks for no more forfeits in a go than the cap, offers up to three, and a seated form", () => {
    const of = {
      misses: 1,
      exercise: "hops",
      dose: 6,
      second: "toe touches",
      third: "",
      seated: "arm circles",
      cap: 2,
    };
    const whole = params({ forfeit: of });
    expect(climb.asks(play(whole, "-"))).toMatchObject([
      { kind: "task", others: ["toe touches"], seated: "arm circles" },
    ]);
    expect(climb.asks(play(whole, "- ! -"))[0]!.kind).toBe("task");
    expect(climb.asks(play(whole, "- ! - ! - - -"))[0]!.kind).toBe("send");
    // Without one, as in documents from earlier versions, each budget costs one.
    const { cap: _, ...before } = of;
    expect(climb.asks(play(params({ forfeit: before }), "- ! - ! -"))[0]!.kind).toBe("task");
  });

  it("plays several goes and keeps the best, or all together", () => {
    const best = params({ tries: 2, goes: { count: 3, keep: "best" } });
    expect(climb.score(play(best, "t1 - t1 t2 - -"))[0]).toMatchObject({ value: 5, working: "2, 5, 0" });
    const total = params({ tries: 2, goes: { count: 3, keep: "total" } });
    expect(climb.score(play(total, "t1 - t1 t2 - -"))[0]).toMatchObject({ value: 7, working: "2 + 5 + 0 = 7" });
  });

  it("passes the turn after each send, after a miss, or after a whole go", () => {
    const turns = (swap: Match["swap"], script: string) =>
      climb.turn(play(params({ swap }), script, "turns", 3)).player;
    expect([turns("send", "t1"), turns("send", "t1 -"), turns("send", "t1 - t1")]).toEqual([1, 2, 0]);
    expect([turns("miss", "t1 t2"), turns("miss", "t1 -"), turns("miss", "- -")]).toEqual([0, 1, 2]);
    expect([turns("go", "t1 - t2"), turns("go", "t1 t2 t3")]).toEqual([0, 1]);
  });

  it("shares one climb in a relay, and each climbs alone in turns", () => {
    const relay = play(params(), "t1 t2", "relay", 2);
    expect(climb.score(relay)).toHaveLength(1);
    expect(climb.score(relay)[0]!.players).toEqual([0, 1]);
    expect(climb.turn(relay).now.params!.number).toBe(3);
    const turns = play(params(), "t1 t1", "turns", 2);
    expect(climb.score(turns).map((score) => score.value)).toEqual([2, 2]);
    expect(climb.ending(play(params({ tries: 1 }), "t1 -", "turns", 2))!.winners).toEqual([]);
  });

  it("ends a race when somebody is up and all have had as many sends", () => {
    const whole = params({ end: "first" });
    const open = play(whole, "t1 t1 t2 t2 t3", "against", 2);
    expect(climb.ending(open)).toBeNull();
    const tie = play(whole, "t1 t1 t2 t2 t3 t3", "against", 2);
    expect(climb.ending(tie)!.winners).toEqual([0, 1]);
    const won = play(whole, "t1 t1 t2 - t3 t2", "against", 2);
    expect(climb.ending(won)!.winners).toEqual([0]);
  });

  it("skips a player who is done", () => {
    const state = play(params({ tries: 3 }), "t1 - t2 - t3 -", "turns", 2);
    expect(climb.ending(state)).not.toBeNull();
    const uneven = play(params({ tries: 5 }), "t1 - t2 - t3 -", "turns", 2);
    expect(climb.turn(uneven).player).toBe(1);
  });

  it.each([
    [{ tries: 0 }, "tries must be 1 or more"],
    [{ tries: 2.5 }, "tries must be a whole number"],
    [{ forfeit: { misses: 1, exercise: "", dose: 1 } }, "exercise must not be empty"],
  ])("names what is not allowed: %j", (change, message) => {
    const told = climbParams.safeParse({ ...base, ...change }).error!.issues.map((issue) => issue.message);
    expect(told).toContain(message);
  });
  it.each([
    [{ seconds: 3 }, "seconds must be 10 or more"],
    [{ goes: { count: 9, keep: "best" } }, "count must be 5 or less"],
  ])("names what a match does not allow: %j", (change, message) => {
    expect(match.safeParse(change).error!.issues.map((issue) => issue.message)).toContain(message);
  });
  it("wants a cap or a bell for several goes for points", () => {
    const [p, m] = split(params({ tries: null, goes: { count: 2, keep: "best" } }));
    expect(pattern.problems(p, m).map((problem) => problem.message)).toEqual([
      "several goes for points need a limit: a number of attempts, or a time limit",
    ]);
    expect(pattern.problems({ ...p, tries: 9 }, m)).toEqual([]);
  });

  it("hands the turn on once the misses are spent, where that is the rule", () => {
    const whole = params({ swap: "budget", forfeit: { misses: 2, exercise: "hops", dose: 6 } });
    const turns = (script: string) => climb.turn(play(whole, script, "turns", 2)).player;
    expect([turns("t1"), turns("- t1"), turns("- -"), turns("- - !")]).toEqual([0, 0, 0, 1]);
  });

  it("may be carried over to another day, where no clock runs", () => {
    const whole = params({ carry: true });
    const carried = climb.step(play(whole, "t1"), { kind: "carry", at: 0 });
    expect(isRefusal(carried)).toBe(false);
    expect(askOf(climb.asks(play(whole, "t1")), "carry")).toBeDefined();
    const clocked = play({ ...whole, seconds: 30 }, "> t1");
    expect(climb.step(clocked, { kind: "carry", at: 1 })).toEqual({ refused: { key: "refused.carryBetween" } });
  });

  it("plays two sides of two, each side's players in their turn", () => {
    const [p, m] = split(params());
    let state = climb.start(p, m, {
      players: 4,
      mode: "against",
      seed: 1,
      sides: [
        [0, 1],
        [2, 3],
      ],
    });
    const turns: number[] = [];
    for (let i = 0; i < 5; i++) {
      turns.push(climb.turn(state).player);
      const after = climb.step(state, { kind: "send", at: i, hit: i % 2 === 0 ? `t${i / 2 + 1}` : null });
      if (isRefusal(after)) throw new Error(after.refused.key);
      state = after;
    }
    expect(turns).toEqual([0, 2, 1, 3, 0]);
    expect(climb.score(state).map((score) => score.players)).toEqual([
      [0, 1],
      [2, 3],
    ]);
  });
});
