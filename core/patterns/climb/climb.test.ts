import { describe, expect, it } from "vitest";
import type { GameEvent } from "../../records/events.ts";
import { isRefusal, type Mode } from "../contract.ts";
import { climb } from "./index.ts";
import { type ClimbParams, climbParams } from "./params.ts";
import type { ClimbState } from "./rules.ts";

type Change = Partial<ClimbParams>;
const base = climb.example.params;
const three = {
  ...base.ladder,
  targets: (base.ladder as { targets: unknown[] }).targets.slice(0, 3),
} as ClimbParams["ladder"];
const params = (change: Change = {}): ClimbParams => climbParams.parse({ ...base, ladder: three, ...change });

/** Plays a short script: `t1` a hit on that target, `-` a miss, `!` a forfeit done, `>` start, `bell`; a number waits so many seconds. */
function play(p: ClimbParams, script: string, mode: Mode = "alone", players = 1): ClimbState {
  let state = climb.start(p, { players, mode, seed: 1 });
  let at = 0;
  for (const word of script.split(" ").filter(Boolean)) {
    if (/^\d+$/.test(word)) {
      at += Number(word) * 1000;
      continue;
    }
    const event: GameEvent =
      word === "!"
        ? { kind: "forfeit", at }
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
const value = (s: ClimbState, side = 0) => climb.score(s)[side]!.value;

describe("Climb", () => {
  it("moves on after a hit, repeats after a miss, and spends a try on another target", () => {
    const s = play(params(), "t1 - t3 t2");
    expect(climb.turn(s).now.params).toMatchObject({ label: "book", number: 3 });
    expect(climb.tally(s)[0]).toMatchObject({ sends: 4, stage: 2, stages: 3, finished: false });
    expect(climb.done(s)).toEqual(["t1", "t2"]);
  });

  it("ends at the top, or when the tries run out", () => {
    expect(climb.ending(play(params(), "t1 t2 t3"))!.reason.key).toBe("climb.end.top");
    expect(climb.ending(play(params({ tries: 2 }), "t1 -"))!.reason.key).toBe("climb.end.spent");
    expect(climb.ending(play(params({ tries: 3 }), "t1 t2 t3"))!.reason.key).toBe("climb.end.top");
    expect(climb.ending(play(params({ tries: null }), "- - - - - - - - - - - - - - - - - - - -"))).toBeNull();
  });

  it("takes targets nearest first, farthest first or as listed", () => {
    const order = (o: "nearest" | "farthest" | "listed") => {
      const l = three as Extract<ClimbParams["ladder"], { kind: "targets" }>;
      const p = params({ ladder: { ...l, order: o, targets: [l.targets[1]!, l.targets[2]!, l.targets[0]!] } });
      return climb.start(p, { players: 1, mode: "alone", seed: 1 }).rungs;
    };
    expect(order("nearest")).toEqual(["t1", "t2", "t3"]);
    expect(order("farthest")).toEqual(["t3", "t2", "t1"]);
    expect(order("listed")).toEqual(["t2", "t3", "t1"]);
  });

  it("counts points that grow with each rung, with the sum to read", () => {
    const s = play(params({ scoring: { by: "points", first: 2, growth: 3 } }), "t1 - t2");
    expect(climb.score(s)[0]).toMatchObject({ value: 7, working: "2 + 5 = 7", unit: "points" });
  });

  it("scores by fewest tries: reaching the top beats any number of sends below it", () => {
    const p = params({ scoring: { by: "tries" }, swap: "go" });
    const s = play({ ...p, tries: 4 }, "t1 - t2 t3 t1 t2 - -", "against", 2);
    expect([value(s, 0), value(s, 1)]).toEqual([4, 4]);
    expect(climb.ending(s)!.winners).toEqual([0]);
  });

  it("scores by time from each player's own start, a whole go each", () => {
    const p = params({ scoring: { by: "time" } });
    const s = play(p, "5 > 10 t1 2 t2 3 t3 60 > 4 t1 4 t2 4 t3", "against", 2);
    expect([value(s, 0), value(s, 1)]).toEqual([150, 120]);
    expect(climb.ending(s)!.winners).toEqual([1]);
  });

  it("rings a bell that ends the go, and takes nothing after it", () => {
    const p = params({ timeLimit: 30 });
    const s = play(p, "2 > 10 t1 10 -");
    expect(climb.legal(s)).toContainEqual({ kind: "bell", dueAt: 32_000 });
    expect(climb.step(s, { kind: "send", at: 32_001, hit: "t2" })).toEqual({ refused: { key: "refused.afterBell" } });
    expect(climb.step(s, { kind: "bell", at: 31_000 })).toEqual({
      refused: { key: "refused.bellEarly", params: { seconds: 1 } },
    });
    expect(climb.ending(play(p, "2 > 10 t1 20 bell"))!.reason.key).toBe("climb.end.spent");
  });

  it("moves the line back a level with every hit on the one target", () => {
    const { distance: _, ...target } = (three as Extract<ClimbParams["ladder"], { kind: "targets" }>).targets[0]!;
    const p = params({ ladder: { kind: "line", target, lines: [1, 2, 3] } });
    const s = play(p, "t1 - t1");
    expect(climb.turn(s).now).toEqual({
      key: "climb.line",
      params: { label: "bucket", item: "bucket", line: 3, lines: 3 },
    });
    expect(climb.next(s)).toMatchObject({ from: "l3", shot: { target: "t1" } });
    const parts = climb.layout(p, { length: 4, width: 2 });
    const at = (id: string) => parts.find((x) => x.id === id) as { along: number };
    expect(at("t1").along - at("l3").along).toBeCloseTo(3, 10);
  });

  it("asks for the forfeit each time the misses are spent, and for nothing else until it is done", () => {
    const p = params({ forfeit: { misses: 2, exercise: "hops", dose: 5 } });
    const owing = play(p, "- -");
    expect(climb.legal(owing)).toEqual([{ kind: "forfeit", exercise: "hops", dose: 5 }]);
    expect(climb.step(owing, { kind: "send", at: 0, hit: null })).toEqual({
      refused: { key: "refused.forfeitFirst", params: { exercise: "hops" } },
    });
    expect(climb.legal(play(p, "- - ! -"))[0]!.kind).toBe("send");
    expect(climb.legal(play(p, "- - ! - -"))[0]!.kind).toBe("forfeit");
    expect(climb.legal(play(p, "- t1 -"))[0]!.kind).toBe("forfeit");
  });

  it("plays several goes and keeps the best, or all together", () => {
    const best = params({ tries: 2, goes: { count: 3, keep: "best" } });
    expect(climb.score(play(best, "t1 - t1 t2 - -"))[0]).toMatchObject({ value: 5, working: "2, 5, 0" });
    const total = params({ tries: 2, goes: { count: 3, keep: "total" } });
    expect(climb.score(play(total, "t1 - t1 t2 - -"))[0]).toMatchObject({ value: 7, working: "2 + 5 + 0 = 7" });
  });

  it("passes the turn after each send, after a miss, or after a whole go", () => {
    const turns = (swap: ClimbParams["swap"], script: string) =>
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
    expect(climb.score(turns).map((x) => x.value)).toEqual([2, 2]);
    expect(climb.ending(play(params({ tries: 1 }), "t1 -", "turns", 2))!.winners).toEqual([]);
  });

  it("ends a race when somebody is up and all have had as many sends", () => {
    const p = params({ end: "first" });
    const open = play(p, "t1 t1 t2 t2 t3", "against", 2);
    expect(climb.ending(open)).toBeNull();
    const tie = play(p, "t1 t1 t2 t2 t3 t3", "against", 2);
    expect(climb.ending(tie)!.winners).toEqual([0, 1]);
    const won = play(p, "t1 t1 t2 - t3 t2", "against", 2);
    expect(climb.ending(won)!.winners).toEqual([0]);
  });

  it("skips a player who is done", () => {
    const s = play(params({ tries: 3 }), "t1 - t2 - t3 -", "turns", 2);
    expect(climb.ending(s)).not.toBeNull();
    const uneven = play(params({ tries: 5 }), "t1 - t2 - t3 -", "turns", 2);
    expect(climb.turn(uneven).player).toBe(1);
  });

  it.each([
    [{ tries: 0 }, "tries must be 1 or more"],
    [{ tries: 2.5 }, "tries must be a whole number"],
    [{ timeLimit: 3 }, "timeLimit must be 10 or more"],
    [{ goes: { count: 9, keep: "best" } }, "count must be 5 or less"],
    [{ forfeit: { misses: 1, exercise: "", dose: 1 } }, "exercise must not be empty"],
    [{ tries: null, goes: { count: 2, keep: "best" } }, "several goes for points need a tries cap or a time limit"],
  ])("names what is not allowed: %j", (change, message) => {
    const told = climbParams.safeParse({ ...base, ...change }).error!.issues.map((i) => i.message);
    expect(told).toContain(message);
  });
});
