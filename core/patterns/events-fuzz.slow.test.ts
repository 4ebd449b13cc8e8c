import { expect, it } from "vitest";
import { enGame } from "../../words/en-game.ts";
import { gameWords } from "../../words/generated/all.ts";
import { askOf, mainAsks } from "../asks/ask.ts";
import { isRefusal, MODES, type Setup } from "../contract/contract.ts";
import { match as matchSchema } from "../contract/match-schema.ts";
import { SWAPS } from "../contract/swaps.ts";
import { playEvent } from "../events/event-schema.ts";
import type { PlayEvent } from "../events/events.ts";
import { fromPattern } from "../formats/activity.ts";
import { bodiesOf, openPlay, type Play, referee, stateOf, view } from "../referee/referee.ts";
import { type Draw, drawing, SEQUENCES } from "./reference.test-utils.ts";
import { type PatternName, patternNames, patternOf } from "./registry.ts";

const EACH = Math.max(20, Math.round(SEQUENCES / 60));
const LENGTH = 60;
const REFS = [
  "t1",
  "t2",
  "z1",
  "c11",
  "l1",
  "m1",
  "p1",
  "in",
  "out",
  "over",
  "short",
  "none",
  "constructor",
  "__proto__",
];

/** Any event of a right shape, wherever it may come from: what is asked now, or anything else. */
function anyEvent(draws: Draw, play: Play, at: number): PlayEvent {
  const now = view(play);
  const asked = now.asks.flatMap(bodiesOf);
  if (asked.length > 0 && draws.chance(0.65)) return { ...draws.one(asked), at } as PlayEvent;
  const bell = askOf(now.asks, "bell");
  if (bell && draws.chance(0.2)) return { kind: "bell", at: Math.max(at, bell.dueAt) };
  const ref = draws.one(REFS);
  const by = draws.chance(0.2) ? { by: draws.upTo(6) } : {};
  const spot = { along: draws.upTo(4000) - 500, across: draws.upTo(2000) - 1000 };
  const kinds: (() => object)[] = [
    () => ({ kind: "send", hit: draws.chance(0.3) ? null : ref, ...by }),
    () => ({ kind: "send", fell: draws.chance(0.5) ? draws.upTo(20) : [ref] }),
    () => ({
      kind: "send",
      rest: ref,
      ...(draws.chance(0.5) && { spot }),
      ...(draws.chance(0.5) && { away: draws.upTo(9000) }),
    }),
    () => ({ kind: "send", foot: true }),
    () => ({ kind: "count", n: draws.upTo(30), ...(draws.chance(0.3) && { drop: true }), ...by }),
    () => ({
      kind: "point",
      side: draws.chance(0.4) ? null : draws.upTo(3),
      ...(draws.chance(0.5) && { why: draws.one(["let", "fault", "out", "on", "high"]) }),
      ...by,
    }),
    () => ({
      kind: "run",
      reached: Array.from({ length: 1 + draws.upTo(3) }, () => draws.upTo(5)),
      ...(draws.chance(0.3) && { out: [draws.upTo(3)] }),
    }),
    () => ({ kind: "run", ...(draws.chance(0.5) ? { missed: true } : { caught: true }) }),
    () => ({ kind: "swap", a: draws.upTo(9), b: draws.upTo(9), ...by }),
    () => ({ kind: "mix", cells: Array.from({ length: 9 }, () => draws.upTo(2)), ...by }),
    () => ({ kind: "total", n: draws.upTo(400), ...by }),
    () => ({
      kind: "choose",
      of: draws.one(["blocker", "target", "spot", "task", "lift", "rest", "tick"]),
      pick: draws.chance(0.3) ? null : ref,
    }),
    () => ({ kind: "arrange", spots: [{ id: ref, ...spot }] }),
    () => ({ kind: "move", piece: draws.upTo(9), place: ref, ...(draws.chance(0.5) && { spot }) }),
    () => ({ kind: "measure", piece: 1 + draws.upTo(9), away: draws.upTo(3000) }),
    () => ({ kind: draws.one(["stand", "carry", "ready", "bell", "task", "pause", "goOn"] as const) }),
    () => ({ kind: "set", field: "params.sends", value: 3 }),
    () => ({ kind: "undo", ...by }),
    () => ({ kind: "undo" }),
    () => ({ kind: "leave", who: draws.upTo(4) }),
    () => ({ kind: "join", side: draws.chance(0.5) ? null : draws.upTo(3) }),
    () => ({ kind: "dispute", ...by }),
    () => ({ kind: "again", why: draws.one(["foot", "call"] as const) }),
    () => ({ kind: "object", role: "send", item: "sock" }),
    () => ({
      kind: "correct",
      seq: draws.upTo(Math.max(0, play.record.length - 1)),
      event: { kind: "send", at: 0, hit: draws.chance(0.5) ? null : ref },
      reason: "looked again",
    }),
  ];
  return { ...draws.one(kinds)(), at } as PlayEvent;
}

/** The pattern's own example, in a match drawn from what may be set where that makes a game. */
function gameOf(draws: Draw, name: PatternName) {
  const doc = fromPattern(name);
  const pattern = patternOf(name);
  const drawn = matchSchema.parse({
    ...doc.match,
    swap: draws.one(SWAPS),
    goes: { count: 1 + draws.upTo(2), keep: draws.one(["best", "total"]) },
    ...(draws.chance(0.3) && { seconds: 10 + draws.upTo(40) }),
    end: draws.one(["all", "first"]),
    carry: draws.chance(0.5),
  });
  const match = pattern.problems(doc.pattern.params, drawn).length === 0 ? drawn : doc.match;
  return { name, params: doc.pattern.params, match };
}

it.each(patternNames)(
  "%s: whatever comes, it is taken or refused in words; something comes next or it is over; undone, it never was",
  (name) => {
    // What a device that plays this game, and no other, can say.
    const said = Object.keys({ ...enGame, ...gameWords[name] });
    let taken = 0;
    let over = 0;
    for (let seed = 1; seed <= EACH; seed++) {
      const draws = drawing(seed * 7919);
      const mode = draws.one(MODES.filter((eachMode) => patternOf(name).modes.includes(eachMode)));
      const setup: Setup = { players: mode === "alone" ? 1 : 2 + draws.upTo(2), mode, seed: 1 };
      let play = openPlay(gameOf(draws, name), setup);
      let at = 0;
      for (let i = 0; i < LENGTH; i++) {
        at += draws.upTo(30) * 100;
        const event = anyEvent(draws, play, at);
        at = Math.max(at, event.at);
        expect(playEvent.safeParse(event).error?.issues ?? []).toEqual([]);
        const before = JSON.stringify(stateOf(play));
        const after = referee(play, event);
        expect(JSON.stringify(stateOf(play))).toBe(before);
        if (isRefusal(after)) {
          expect(said, JSON.stringify(event)).toContain(after.refused.key);
          continue;
        }
        taken++;
        play = after;
        const now = view(play);
        // Nothing is asked of whoever left, and nobody who is out has won.
        const left = play.standing.flatMap(({ event }) => (event.kind === "leave" ? [event.who] : []));
        for (const ask of now.asks) expect(left).not.toContain(ask.player);
        for (const side of now.out) expect(now.ending?.winners ?? []).not.toContain(side);
        for (const score of now.score) expect(Number.isSafeInteger(score.value)).toBe(true);
        const waits = now.paused ? 1 : mainAsks(now.asks).length;
        if (now.done) expect(now.asks).toEqual([]);
        else expect(waits, JSON.stringify(play.record)).toBeGreaterThan(0);
      }
      if (view(play).done === "over") over++;
      let back = play;
      while (view(back).canUndo) {
        const one = referee(back, { kind: "undo", at });
        if (isRefusal(one)) throw new Error(one.refused.key);
        back = one;
      }
      expect(stateOf(back)).toEqual(back.begin);
    }
    // It is no fuzz of refusals only.
    expect(taken).toBeGreaterThan(EACH * 8);
    expect(over).toBeGreaterThanOrEqual(name === "passLadder" || name === "closest" ? 0 : 1);
  },
  400_000,
);
