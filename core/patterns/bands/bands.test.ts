import { describe, expect, it } from "vitest";
import { askOf } from "../../asks/ask.ts";
import { isRefusal, type Mode } from "../../contract/contract.ts";
import type { GameEvent } from "../../events/events.ts";
import { bands as pattern } from "./index.ts";
import type { BandsState } from "./rules.ts";
import type { BandsParams } from "./schema.ts";
import { bandsParams } from "./schema.ts";

const bands = pattern.rules;
const { initial } = pattern.match;
const base: BandsParams = { ...pattern.example.params, pieces: 2, counting: "all", lead: "same" };
const params = (change: Partial<BandsParams> = {}) => bandsParams.parse({ ...base, ...change });
const finish = (f: Partial<BandsParams["finish"]>): BandsParams["finish"] => ({
  rounds: null,
  total: null,
  exact: false,
  dropTo: null,
  ...f,
});

/** Plays a script: `3` a piece stops in band 3, `s` short, `o` over, `k0:2` piece 0 knocked to band 2, `#` count, `b2`/`b-` a blocker, `|` stood up, `~` carried. */
function play(
  givenParams: BandsParams,
  script: string,
  mode: Mode = "alone",
  players = 1,
  match = initial,
): BandsState {
  let state = bands.start(givenParams, match, { players, mode, seed: 1 });
  for (const word of script.split(" ").filter(Boolean)) {
    const after = bands.step(state, eventOf(word));
    if (isRefusal(after)) throw new Error(`${word}: ${after.refused.key}`);
    state = after;
  }
  return state;
}
const zone = (word: string) => (word === "s" ? "short" : word === "o" ? "over" : `z${word}`);
function eventOf(word: string): GameEvent {
  const at = 0;
  if (word === "#") return { kind: "ready", at };
  if (word === "|") return { kind: "stand", at };
  if (word === "~") return { kind: "carry", at };
  if (word.startsWith("b"))
    return { kind: "choose", at, of: "blocker", pick: word === "b-" ? null : zone(word.slice(1)) };
  const knock = /^k(\d+):(\w)$/.exec(word);
  if (knock) return { kind: "move", at, piece: Number(knock[1]), place: zone(knock[2]!) };
  return { kind: "send", at, rest: zone(word) };
}
const totals = (state: BandsState) => bands.score(state).map((score) => score.value);
const refused = (state: BandsState, word: string) => {
  const after = bands.step(state, eventOf(word));
  return isRefusal(after) ? after.refused.key : null;
};

describe("Bands", () => {
  it("adds what lies in the bands when the round is counted", () => {
    const state = play(params(), "2 4");
    expect(totals(state)).toEqual([0]);
    expect(bands.score(state)[0]!.working).toBe("2 + 6 = 8");
    expect(totals(play(params(), "2 4 #"))).toEqual([8]);
    expect(totals(play(params(), "s o #"))).toEqual([0]);
  });

  it("gives nothing past the last line, or the last band, as ruled", () => {
    expect(totals(play(params(), "o o #"))).toEqual([0]);
    expect(totals(play(params({ overshoot: "last" }), "o s #"))).toEqual([6]);
  });

  it("enters knocked-on pieces where they end, also after the last piece, and stands lines up again for nothing", () => {
    expect(totals(play(params(), "1 k0:4 | 1 k1:3 #"))).toEqual([10]);
    expect(totals(play(params(), "4 4 k0:o #"))).toEqual([6]);
    expect(refused(play(params(), ""), "|")).toBe("refused.nothingFell");
    expect(refused(play(params(), "1"), "k5:2")).toBe("refused.noSuchPiece");
    expect(refused(play(params(), "1"), "k0:9")).toBe("refused.unknownZone");
  });

  it("counts only the difference of the round, for the better side", () => {
    const p = params({ counting: "difference" });
    const state = play(p, "3 2 4 3 #", "against", 2);
    expect(totals(state)).toEqual([4, 0]);
    expect(bands.score(state)[0]!.working).toBe("10 - 6 = 4");
    expect(bands.progress(state).map((progress) => progress.own)).toEqual([10, 6]);
    const on = play(p, "3 2 4 3 # 4 1 4 2 #", "against", 2);
    expect(bands.score(on)[0]!.working).toBe("12 - 3 = 9; 4 + 9 = 13");
    expect(totals(play(p, "2 2 2 2 #", "against", 2))).toEqual([0, 0]);
  });

  it("makes two sides of three to six players by difference, one in a relay", () => {
    const p = params({ counting: "difference" });
    expect(bands.start(p, initial, { players: 5, mode: "against", seed: 1 }).sides).toEqual([
      [0, 2, 4],
      [1, 3],
    ]);
    expect(bands.start(p, initial, { players: 3, mode: "relay", seed: 1 }).sides).toEqual([[0, 1, 2]]);
    expect(bands.start(params(), initial, { players: 3, mode: "against", seed: 1 }).sides).toEqual([[0], [1], [2]]);
    const order = ["", "1", "1 1", "1 1 1", "1 1 1 1 #"].map(
      (script) => bands.turn(play(p, script, "against", 4)).player,
    );
    expect(order).toEqual([0, 1, 2, 3, 0]);
  });

  it("sends one piece each in turn, or all of a side at once", () => {
    const who = (order: BandsParams["order"], script: string) =>
      bands.turn(play(params({ order }), script, "against", 2)).player;
    expect(["", "1", "1 1", "1 1 1"].map((text) => who("piece", text))).toEqual([0, 1, 0, 1]);
    expect(["", "1", "1 1", "1 1 1"].map((text) => who("set", text))).toEqual([0, 0, 1, 1]);
  });

  it("hands the lead on in turn, to the winner, to the loser, or to nobody; a tie leaves it", () => {
    const leader = (lead: BandsParams["lead"], round: string) =>
      bands.turn(play(params({ lead, pieces: 1 }), round, "against", 2)).player;
    expect([leader("alternate", "4 1 #"), leader("alternate", "4 1 # 1 4 #")]).toEqual([1, 0]);
    expect([leader("winner", "1 4 #"), leader("winner", "4 1 #"), leader("winner", "2 2 #")]).toEqual([1, 0, 0]);
    expect([leader("loser", "1 4 #"), leader("loser", "4 1 #")]).toEqual([0, 1]);
    expect(leader("same", "1 4 #")).toBe(0);
  });

  it("is first to a total, at least or exactly", () => {
    expect(bands.ending(play(params({ finish: finish({ total: 10 }) }), "4 4 #"))!.reason).toEqual({
      key: "bands.end.total",
      params: { total: 10 },
    });
    const exact = params({ finish: finish({ total: 10, exact: true }) });
    expect(totals(play(exact, "4 4 #"))).toEqual([0]);
    expect(totals(play(exact, "3 1 # 4 4 #"))).toEqual([5]);
    const drop = params({ finish: finish({ total: 10, exact: true, dropTo: 3 }) });
    const dropped = play(drop, "3 2 # 3 1 #");
    expect(totals(dropped)).toEqual([3]);
    expect(bands.score(dropped)[0]!.working).toBe("6 + 5 = 11; 11 > 10: 3");
    expect(bands.ending(play(exact, "3 4 #"))).not.toBeNull();
  });

  it("plays a number of rounds; equal after the last is shared, or one more round", () => {
    const shared = params({ pieces: 1, finish: finish({ rounds: 1 }) });
    expect(bands.ending(play(shared, "3 3 #", "against", 2))!.winners).toEqual([0, 1]);
    const extra = params({ pieces: 1, tie: "extra", finish: finish({ rounds: 1 }) });
    expect(bands.ending(play(extra, "3 3 #", "against", 2))).toBeNull();
    expect(bands.ending(play(extra, "3 3 # 2 4 #", "against", 2))!.winners).toEqual([1]);
    expect(bands.ending(play(extra, "3 #"))!.winners).toEqual([]);
  });

  it("asks about the blocker before a side's last piece, once, and never forgets it", () => {
    const p = params({ blocker: true });
    const asks = play(p, "1 1", "against", 2);
    expect(bands.asks(asks)[0]!.kind).toBe("choose");
    expect(refused(asks, "2")).toBe("refused.blockerFirst");
    const placed = play(p, "1 1 b3", "against", 2);
    expect(placed.blocked).toBe("z3");
    expect(bands.asks(placed)[0]!.kind).toBe("send");
    expect(bands.asks(play(p, "1 1 b- 2", "against", 2))[0]!.kind).toBe("choose");
    expect(refused(play(p, "", "against", 2), "b1")).toBe("refused.blockerNotNow");
    expect(refused(play(params(), "1"), "b1")).toBe("refused.noBlocker");
    expect(bands.asks(play({ ...p, pieces: 1 }, ""))[0]!.kind).toBe("choose");
  });

  it("may be carried over between rounds, not within one", () => {
    const state = play(params(), "1 1 #");
    expect(askOf(bands.asks(state), "carry")).toBeDefined();
    expect(play(params(), "1 1 # ~ 2").carried).toBe(1);
    expect(refused(play(params(), "1"), "~")).toBe("refused.carryBetween");
    expect(refused(play(params(), "1 1 #", "alone", 1, { ...initial, carry: false }), "~")).toBe("refused.noCarry");
  });

  it("wants the round counted before the next piece, and all pieces before the count", () => {
    expect(refused(play(params(), "1 1"), "2")).toBe("refused.roundFull");
    expect(refused(play(params(), "1"), "#")).toBe("refused.roundOpen");
    expect(refused(play(params({ finish: finish({ rounds: 1 }) }), "1 1 #"), "1")).toBe("refused.over");
  });

  it("aims no further than an exact finish needs", () => {
    const p = params({ finish: finish({ total: 7, exact: true }) });
    const send = askOf(bands.asks(play(p, "4 s #")), "send");
    if (send?.aim.kind !== "zones") throw new Error("a send was expected");
    expect(send.aim.worth).toEqual({ short: 0, z1: 1, z2: 0, z3: 0, z4: 0, over: 0 });
  });

  it.each([
    [{ lines: [1, 1.05], points: [3] }, "bands overlap: line 2 (1.05 m) must be at least 0.1 m beyond line 1 (1 m)"],
    [{ points: [1, 2] }, "5 lines make 4 bands. Give points for each."],
    [{ finish: finish({}) }, "the game needs a number of rounds, a score to reach, or both"],
    [
      { finish: finish({ total: 5, exact: true, dropTo: 5 }) },
      "the score to drop to must be below 5, the score to reach",
    ],
    [{ pieces: 0 }, "pieces must be 1 or more"],
    [{ lines: [-1, 2, 3, 4, 5] }, "line must be 0.3 m or more"],
  ])("names what is not allowed: %j", (change, message) => {
    expect(bandsParams.safeParse({ ...base, ...change }).error!.issues.map((issue) => issue.message)).toContain(
      message,
    );
  });
});
