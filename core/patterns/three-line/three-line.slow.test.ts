import { describe, expect, it } from "vitest";
import { type AnyPattern, isRefusal } from "../../contract/contract.ts";
import { openGame } from "../../contract/game.ts";
import { mean } from "../../forecast/distribution.ts";
import { forecastActivity } from "../../forecast/for-activity.ts";
import { type Activity, fromPattern } from "../../formats/activity.ts";
import { opened } from "../../formats/opened.ts";
import { threeLine as pattern } from "./index.ts";
import { cellsOf, linesOf } from "./rules.ts";
import type { ThreeLineParams } from "./schema.ts";
import { threeLineParams } from "./schema.ts";

const base = pattern.example.params;
const alone = { players: 1, mode: "alone", seed: 1 } as const;
const { rules } = pattern;

/** Plays a script: `12` rests in row 1, column 2; `o` outside; `m0:33` piece 0 was moved there. */
function play(script: string, change: Partial<typeof base> = {}) {
  let state = rules.start({ ...base, ...change }, pattern.match.initial, alone);
  for (const word of script.split(" ").filter(Boolean)) {
    const moved = /^m(\d+):(\w+)$/.exec(word);
    const place = (text: string) => (text === "o" ? "out" : `c${text}`);
    const after = rules.step(
      state,
      moved
        ? { kind: "move", at: 0, piece: Number(moved[1]), place: place(moved[2]!) }
        : { kind: "send", at: 0, rest: place(word) },
    );
    if (isRefusal(after)) throw new Error(`${word}: ${after.refused.key}`);
    state = after;
  }
  return state;
}
const told = (state: ReturnType<typeof play>) => rules.progress(state)[0]!;

describe("Three-line, alone", () => {
  it("ends with the first line; what rests in a taken square or outside is sent again and counted", () => {
    const state = play("11 11 o 22 33");
    expect(told(state)).toMatchObject({ sends: 5, stage: 3, finished: true });
    expect(rules.ending(state)!.reason).toEqual({ key: "threeLine.end.line", params: { size: 3 } });
    expect(rules.score(state)[0]).toMatchObject({ value: 5, unit: "sends", better: "less" });
  });
  it("ends without a line at the last send, ranked by how far it came", () => {
    const state = play("11 o 12", { sends: 3 });
    expect(told(state)).toMatchObject({ sends: 3, stage: 2, finished: false });
    expect(rules.ending(state)!.reason.key).toBe("threeLine.end.spent");
    expect(rules.score(state)[0]!.rank).toBeLessThan(rules.score(play("11 12 13"))[0]!.rank);
  });
  it("counts a bumped piece in a free square; outside or on another it goes back to the hand; a bump may end it", () => {
    expect(told(play("11 12 m0:13")).stage).toBe(2);
    expect(told(play("11 12 m0:o")).stage).toBe(1);
    expect(told(play("11 12 m0:12")).stage).toBe(1);
    expect(rules.ending(play("11 12 33 m2:13"))).not.toBeNull();
    // Where it was is no other square.
    expect(told(play("11 12 m0:11")).stage).toBe(2);
  });
  it("knows eight lines of three, ten of four", () => {
    expect(linesOf({ size: 3 })).toHaveLength(8);
    expect(linesOf({ size: 4 })).toHaveLength(10);
    expect(new Set(linesOf({ size: 4 }).flat())).toEqual(new Set(cellsOf({ size: 4 })));
  });
});

describe("a bump for both sides", () => {
  const two = { players: 2, mode: "against", seed: 1 } as const;
  const sent = (rest: string) => ({ kind: "send", at: 0, rest: `c${rest}` }) as const;
  const bump = (piece: number, to: string) => ({ kind: "move", at: 0, piece, place: `c${to}` }) as const;
  // The second side has two in the far row and sends the last piece; then one of each is bumped.
  const before = ["11", "31", "12", "32", "23", "22"].map(sent);
  const once = (by: typeof rules, ...events: Parameters<typeof rules.step>[1][]) => {
    let state = by.start(base, pattern.match.initial, two);
    for (const event of [...before, ...events]) state = by.step(state, event) as typeof state;
    return state;
  };
  it("is the sender's, whichever is told first; a line of the other side alone is the other's once no more moved", () => {
    const other = bump(4, "13");
    const own = bump(5, "33");
    expect(rules.ending(once(rules, other, own))!.winners).toEqual([1]);
    expect(rules.ending(once(rules, own))!.winners).toEqual([1]);
    const asked = once(rules, other);
    expect(rules.ending(asked)).toBeNull();
    expect(rules.asks(asked).map((ask) => ask.kind)).toEqual(["ready", "move"]);
    expect(rules.step(asked, sent("33"))).toEqual({ refused: { key: "refused.sayAllLie" } });
    expect(rules.ending(once(rules, other, { kind: "ready", at: 0 }))!.winners).toEqual([0]);
    // A line that a second bump takes away again is none.
    expect(rules.ending(once(rules, other, bump(0, "21")))).toBeNull();
    expect(rules.asks(once(rules, other, bump(0, "21")))[0]!.kind).not.toBe("ready");
    expect(rules.ending(once(pattern.earlier![1] as typeof rules, other))!.winners).toEqual([0]);
  });
});

describe("its forecast", () => {
  /** A child whose sends rest in every square alike, whatever it aims at. */
  const equal = (chance: number) => Object.fromEntries(cellsOf({ size: 3 }).map((text) => [text, chance]));
  it("with every square alike is what counting all orders says", () => {
    // Every send rests in each of nine squares alike: the mean number of sends to a line, by counting boards.
    const lines = linesOf({ size: 3 }).map((l) => l.map((text) => cellsOf({ size: 3 }).indexOf(text)));
    const won = (mask: number) => lines.some((line) => line.every((i) => mask & (1 << i)));
    // Boards by how many sends were made, each with its chance; a go cut off counts its cap.
    const SENDS = 24;
    let boards = new Map([[0, 1]]);
    let capped = 0;
    for (let sent = 1; sent <= SENDS; sent++) {
      const next = new Map<number, number>();
      for (const [mask, chance] of boards)
        for (let i = 0; i < 9; i++) {
          const to = mask | (1 << i);
          if (won(to)) capped += (sent * chance) / 9;
          else next.set(to, (next.get(to) ?? 0) + chance / 9);
        }
      boards = next;
    }
    for (const board of boards.values()) capped += SENDS * board;
    const activity = fromPattern("threeLine");
    const params = { ...base, sends: SENDS };
    const doc = { ...activity, pattern: { name: "threeLine", params } } as Activity;
    const forecast = forecastActivity(doc, [{ age: 8 }], alone, "middle", { chances: equal(1 / 9), exactBudget: 1e6 });
    expect(forecast.method).toBe("exact");
    expect(mean(forecast.sides[0]!.sends)).toBeCloseTo(capped, 9);
  });
  it("takes the best over the whole go where it can be solved, and says so where it cannot", () => {
    const activity = fromPattern("threeLine");
    const best = forecastActivity(activity, [{ age: 7 }], alone, "middle");
    expect(best).toMatchObject({ method: "exact", choice: "bestOverall", leftOut: ["move"] });
    const game = openGame(pattern as unknown as AnyPattern, { ...activity.pattern, match: activity.match });
    expect(game.sidesMeet(alone)).toBe(false);
    const greedy = forecastActivity(activity, [{ age: 7 }], alone, "middle", { solveBudget: 10 });
    expect(greedy.choice).toBe("mostPoints");
    expect(mean(best.sides[0]!.sends)).toBeLessThanOrEqual(mean(greedy.sides[0]!.sends) + 1e-9);
    const four = {
      ...activity,
      space: { ...activity.space, length: 4 },
      pattern: { name: "threeLine", params: { ...base, size: 4 } },
    } as Activity;
    const began = performance.now();
    const large = forecastActivity(four, [{ age: 7 }], alone, "middle");
    expect(large.choice).toBe("mostPoints");
    expect(performance.now() - began).toBeLessThan(15_000);
  });
});

describe("Three-line, against", () => {
  const two = { players: 2, mode: "against", seed: 1 } as const;
  const duel = (script: string, change: Partial<typeof base> = {}) => {
    let state = rules.start({ ...base, ...change }, pattern.match.initial, two);
    for (const word of script.split(" ").filter(Boolean)) {
      const [kind, place] = [word[0], word.slice(1)];
      const after = rules.step(
        state,
        kind === "l"
          ? { kind: "choose", at: 0, of: "lift", pick: `c${place}` }
          : kind === "m"
            ? {
                kind: "move",
                at: 0,
                piece: Number(place[0]),
                place: place.slice(2) === "o" ? "out" : `c${place.slice(2)}`,
              }
            : { kind: "send", at: 0, rest: word === "o" ? "out" : `c${word}` },
      );
      if (isRefusal(after)) throw new Error(`${word}: ${after.refused.key}`);
      state = after;
    }
    return state;
  };
  it("alternates; taken or outside is a lost turn; the first line wins", () => {
    const state = duel("11 11 12 o 13");
    expect(rules.ending(state)).toEqual({ reason: { key: "threeLine.end.line", params: { size: 3 } }, winners: [0] });
    expect(rules.score(state).map((score) => score.value)).toEqual([3, 2]);
  });
  it("takes one up once all lie there; one that misses stays in the hand, and who has none is passed over", () => {
    const state = duel("11 12 13 22 32 31");
    expect(rules.turn(state)).toMatchObject({ player: 0, now: { key: "threeLine.lift" } });
    const refused = rules.step(state, { kind: "send", at: 0, rest: "c21" });
    expect(isRefusal(refused) && refused.refused.key).toBe("refused.liftFirst");
    const missed = duel("11 12 13 22 32 31 l11 o");
    // The other has none in the hand: whoever has one sends again.
    expect(rules.turn(missed)).toMatchObject({ player: 0, now: { key: "threeLine.send" } });
    expect(rules.ending(duel("11 12 13 22 32 31", { stuck: "draw" }))?.winners).toEqual([0, 1]);
  });
  it("of more pieces than make a line each side has them all in hand before one is taken up", () => {
    const state = duel("11 12 13 22 32 31", { pieces: 4 });
    expect(rules.turn(state)).toMatchObject({ player: 0, now: { key: "threeLine.send" } });
    expect(rules.turn(duel("11 12 13 22 32 31 21 23", { pieces: 4 }))).toMatchObject({
      now: { key: "threeLine.lift" },
    });
    const needs = opened({
      ...fromPattern("threeLine"),
      pattern: { name: "threeLine", params: { ...base, pieces: 5 } },
    });
    expect(needs.needs.pieces).toBe(5);
  });
  it("a board that is full without a line is a draw", () => {
    const state = duel("11 12 13 22 21 23 32 31 33", { pieces: 5 });
    expect(rules.ending(state)).toEqual({ reason: { key: "threeLine.end.draw" }, winners: [0, 1] });
  });
  it("pieces are as many as make a line, or up to half of the squares; the field is named", () => {
    const read = (pieces: number | null, size = 3) => threeLineParams.safeParse({ ...base, size, pieces });
    for (const ok of [null, 3, 4, 5]) expect(read(ok).success, `${ok}`).toBe(true);
    expect(read(8, 4).success).toBe(true);
    expect(read(6).error?.issues[0]).toMatchObject({ path: ["pieces"], message: expect.stringContaining("3 to 5") });
    expect(read(3, 4).error?.issues[0]).toMatchObject({ path: ["pieces"] });
    // A document from earlier versions says nothing of them.
    const { pieces: _, ...before } = base as ThreeLineParams;
    expect(threeLineParams.parse(before).pieces).toBeNull();
  });
  it("a bump that makes a line for both is the sender's", () => {
    const state = duel("11 21 12 22 33 23", {});
    expect(rules.ending(state)?.winners).toEqual([1]);
  });
  it("with sure hits and the best play of both it is a draw", () => {
    const seen = new Map<string, number>();
    const value = (state: ReturnType<typeof duel>): number => {
      const key = rules.key(state);
      const known = seen.get(key);
      if (known !== undefined) return known;
      const end = rules.ending(state);
      let best: number;
      if (end) best = end.winners.length > 1 ? 0 : end.winners[0] === 0 ? 1 : -1;
      else {
        const [ask] = rules.asks(state);
        const mover = rules.turn(state).side === 0 ? 1 : -1;
        const free = ask!.kind === "send" && ask!.aim.kind === "cells" ? ask!.aim.free : [];
        best =
          Math.max(
            ...free.map((rest) => mover * value(rules.step(state, { kind: "send", at: 0, rest }) as typeof state)),
          ) * mover;
      }
      seen.set(key, best);
      return best;
    };
    expect(value(duel("", { stuck: "draw" }))).toBe(0);
  });
  it("is forecast, and the chances to win sum to one with the draws shared", () => {
    const forecast = forecastActivity(fromPattern("threeLine"), [{ age: 8 }, { age: 8 }], two, "middle");
    expect(forecast.sides[0]!.win! + forecast.sides[1]!.win! + forecast.cut).toBeCloseTo(1, 6);
    expect(forecast.sides[0]!.win!).toBeGreaterThan(0.4);
    const fair = forecastActivity(fromPattern("threeLine"), [{ age: 11 }, { age: 6 }], two, "middle");
    expect(fair.sides[0]!.win!).toBeGreaterThan(forecast.sides[0]!.win!);
  });
});
