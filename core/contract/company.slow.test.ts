import { describe, expect, it } from "vitest";
import { mainAsks } from "../asks/ask.ts";
import { fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { type PatternName, patternNames, patternOf } from "../patterns/registry.ts";
import { bodiesOf, openPlay, type Play, referee, view } from "../referee/referee.ts";
import { isRefusal, type Mode, type Setup } from "./contract.ts";

const opened = (name: PatternName, setup: Setup, more: object = {}) => {
  const doc = fromPattern(name);
  return openPlay(gameSettingsOf({ ...doc, match: { ...doc.match, ...more } }), setup);
};
const take = (play: Play, ...bodies: object[]) =>
  bodies.reduce<Play>((eachPlay, body) => {
    const next = referee(eachPlay, { at: eachPlay.standing.at(-1)?.event.at ?? 0, ...body } as never);
    if (isRefusal(next)) throw new Error(JSON.stringify([next.refused, body]));
    return next;
  }, play);
const refusedBy = (play: Play, body: object) => {
  const next = referee(play, { at: play.standing.at(-1)?.event.at ?? 0, ...body } as never);
  return isRefusal(next) ? next.refused.key : null;
};
const miss = { kind: "send", hit: null };
/** To the end, by what may be seen, left and right in turn, or the bell. */
function playedOut(givenPlay: Play): Play {
  let play = givenPlay;
  for (let i = 0; i < 4000 && !view(play).done; i++) {
    const now = view(play);
    const at = play.standing.at(-1)?.event.at ?? 0;
    const bell = now.asks.find((ask) => ask.kind === "bell");
    const all = mainAsks(now.asks).flatMap(bodiesOf);
    const bodies = all.map((_, k) => all[(k + i) % all.length]!);
    const rings = bell ? [{ kind: "bell", at: bell.dueAt }] : [];
    const seen = bodies.map((body) => ({ ...body, at }));
    const next = [...(i % 30 === 29 ? rings : []), ...seen, ...rings]
      .map((e) => referee(play, e as never))
      .find((x) => !isRefusal(x));
    if (!next || isRefusal(next)) throw new Error(`stuck: ${JSON.stringify(now.asks)}`);
    play = next;
  }
  return play;
}

const MODES_OF = patternNames.flatMap((name) =>
  patternOf(name)
    .modes.filter((mode) => mode !== "alone")
    .map((mode) => [name, mode] as const),
);

describe("somebody leaves", () => {
  it.each(MODES_OF)("%s, %s: nothing more is asked of it, and the others play on to an end", (name, mode) => {
    for (const sides of [undefined, mode === "against" ? [[0, 1], [2]] : undefined]) {
      const setup: Setup = { players: 3, mode, seed: 1, ...(sides && { sides }) };
      const begun = opened(name, setup);
      for (const who of [1, 2]) {
        const left = take(begun, { kind: "leave", who });
        expect(view(left).company.leave).not.toContain(who);
        const over = playedOut(left);
        expect(view(over).done, name).not.toBeNull();
        const standing = view(over).score.flatMap((score, i) => (view(over).out.includes(i) ? [] : score.players));
        expect(standing).not.toContain(who);
        expect(standing).toContain(0);
        // Taken back, everybody plays.
        expect(view(take(left, { kind: "undo" })).asks).toEqual(view(begun).asks);
      }
    }
  });

  it("a side with nobody left is out: the other finishes its go, and beats nobody", () => {
    const play = take(opened("climb", { players: 2, mode: "against", seed: 1 }), miss, { kind: "leave", who: 1 });
    expect(view(play)).toMatchObject({ out: [1], player: 0 });
    const over = playedOut(play);
    expect(view(over).ending!.winners).toEqual([]);
    expect(refusedBy(play, { kind: "leave", who: 1 })).toBe("refused.notPlaying");
  });

  it("where two sides meet the game ends with the last of one of them, and nobody has won", () => {
    for (const name of ["rally", "goals", "bases", "threeLine"] as const) {
      const play = take(opened(name, { players: 2, mode: "against", seed: 1 }), { kind: "leave", who: 1 });
      expect(view(play).ending).toEqual({ reason: { key: "play.end.left" }, winners: [] });
    }
  });

  it("of three that play for themselves the other two go on, in turn, and the one that left is gone from the score", () => {
    const play = take(
      opened("bands", { players: 3, mode: "against", seed: 1, sides: [[0], [1], [2]] }),
      { kind: "send", rest: "z1" },
      { kind: "send", rest: "z1" },
      { kind: "leave", who: 1 },
    );
    expect(view(play).score.map((score) => score.players)).toEqual([[0], [2]]);
    expect(view(play).player).toBe(2);
  });

  it("its turns go to the next of its side", () => {
    const play = opened("rally", {
      players: 4,
      mode: "against",
      seed: 1,
      sides: [
        [0, 1],
        [2, 3],
      ],
    });
    const left = take(play, { kind: "leave", who: 3 });
    const servers = [0, 1, 2, 3, 4, 5].map((n) => {
      const game = take(left, ...Array.from({ length: n }, (_, i) => ({ kind: "point", side: i % 2 })));
      return view(game).player;
    });
    expect(new Set(servers)).toEqual(new Set([0, 1, 2]));
  });

  it("the child itself stops instead, and alone there is nobody to leave", () => {
    expect(refusedBy(opened("climb", { players: 2, mode: "turns", seed: 1 }), { kind: "leave", who: 0 })).toBe(
      "refused.childLeaves",
    );
    expect(refusedBy(opened("climb", { players: 1, mode: "alone", seed: 1 }), { kind: "leave", who: 1 })).toBe(
      "refused.notPlaying",
    );
  });

  it("a shared score that not all made together is told apart, a score of one's own is not", () => {
    const of = (mode: Mode) =>
      view(take(opened("climb", { players: 3, mode, seed: 1 }), { kind: "leave", who: 2 })).set;
    expect(of("relay")).toEqual({ company: "changed" });
    expect(of("against")).toEqual({});
  });
});

describe("somebody joins", () => {
  it("between goes only, as a side of its own or on the one there is, and has its turn", () => {
    const goes = { goes: { count: 2, keep: "total" } };
    const play = opened("climb", { players: 2, mode: "against", seed: 1 }, goes);
    const joined = take(play, { kind: "join", side: null });
    expect(view(joined).score.map((score) => score.players)).toEqual([[0], [1], [2]]);
    expect(view(take(joined, miss, miss)).player).toBe(2);
    expect(refusedBy(take(play, miss), { kind: "join", side: null })).toBe("refused.joinLater");
    const relay = take(opened("climb", { players: 2, mode: "relay", seed: 1 }), { kind: "join", side: 0 });
    expect([0, 1, 2, 3].map((n) => view(take(relay, ...Array(n).fill(miss))).player)).toEqual([0, 1, 2, 0]);
  });

  it("a side of a game of two, between games, innings and halves", () => {
    const rally = opened("rally", { players: 2, mode: "against", seed: 1 });
    expect(view(rally).company.join).toEqual([0, 1]);
    const joined = take(rally, { kind: "join", side: 1 });
    expect(view(joined).score[1]!.players).toEqual([1, 2]);
    expect(view(take(joined, { kind: "point", side: 0 })).company.join).toEqual([]);
    const bases = opened("bases", { players: 2, mode: "against", seed: 1 });
    expect(view(take(bases, { kind: "join", side: 0 })).score[0]!.players).toEqual([0, 2]);
  });

  it.each(MODES_OF)("%s, %s: wherever it is offered the game goes on to an end with all of them", (name, mode) => {
    const begun = opened(name, { players: 2, mode, seed: 1 });
    for (const side of view(begun).company.join) {
      const over = playedOut(take(begun, { kind: "join", side }));
      expect(view(over).score.flatMap((score) => score.players)).toContain(2);
    }
  });
});

describe("a dispute", () => {
  it("is kept and changes nothing; there is none alone, or before anything happened", () => {
    const play = take(opened("climb", { players: 2, mode: "turns", seed: 1 }), miss);
    const told = take(play, { kind: "dispute", by: 1 });
    expect(view(told).score).toEqual(view(play).score);
    expect(told.record.at(-1)).toMatchObject({ kind: "dispute", by: 1 });
    const alone = take(opened("climb", { players: 1, mode: "alone", seed: 1 }), miss);
    expect(refusedBy(alone, { kind: "dispute" })).toBe("refused.noDispute");
  });
});
