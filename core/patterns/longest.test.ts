import { describe, expect, it } from "vitest";
import { isRefusal, type Setup } from "../contract/contract.ts";
import { openGame } from "../contract/game.ts";
import { match } from "../contract/match.ts";
import { MAX_EVENTS } from "../events/events.ts";
import { fromPattern } from "../formats/activity.ts";
import { opened, withParams } from "../formats/opened.ts";
import { openPlay, referee, view } from "../referee/referee.ts";
import { type PatternName, patternNames, patternOf } from "./registry.ts";

const STAGE = {
  task: "touch",
  inAll: false,
  hand: "usual",
  posture: "standing",
  moving: false,
  bounce: false,
  height: 1,
} as const;
const TASK = { task: "catch", height: 1, seconds: 10, metres: 4 } as const;
/** The longest game that the schema of each pattern allows, and an event at each ask that keeps it long. */
const LONGEST: Record<PatternName, { params: object; match?: object; setup: Setup; drops?: true }> = {
  climb: {
    params: { tries: 200, forfeit: { misses: 1, exercise: "hops", dose: 1 } },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  bands: {
    params: {
      pieces: 10,
      blocker: true,
      counting: "all",
      finish: { rounds: 100, total: null, exact: false, dropTo: null },
    },
    setup: { players: 6, mode: "against", seed: 1 },
  },
  pins: {
    params: { rolls: 5, frames: 10, standUp: true },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  threeLine: {
    params: { sends: 60 },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  tally: {
    params: {
      rounds: Array.from({ length: 6 }, () => ({
        task: "keepUp",
        seconds: 300,
        rest: 0,
        hand: "usual",
        moving: false,
        bounce: false,
      })),
    },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  sweep: {
    params: { sends: 200 },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  streak: {
    drops: true,
    params: { tries: 60, stages: [{ ...STAGE, count: null }], score: "run" },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  checklist: {
    drops: true,
    params: { tasks: Array.from({ length: 10 }, () => ({ ...TASK, times: 30 })), order: "fixed" },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  speller: {
    params: { sends: 200 },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  passLadder: {
    params: { sends: 200 },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  closest: {
    params: { pieces: 4, finish: { points: null, rounds: 40 } },
    setup: { players: 6, mode: "against", seed: 1 },
  },
  stackUp: {
    params: { full: 10, rounds: 60, sends: 4 },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  rally: {
    params: { points: 30, lead: false, games: 5 },
    setup: { players: 2, mode: "against", seed: 1 },
  },
  swapSquare: {
    params: { n: 5, least: 18, most: 20, exercise: { name: "hops", dose: 1 } },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
  bases: {
    params: { turn: { by: "batters", outs: 9, batters: 40 }, innings: 9 },
    setup: { players: 6, mode: "against", seed: 1 },
  },
  goals: {
    params: { points: 30 },
    setup: { players: 2, mode: "against", seed: 1 },
  },
  board: {
    params: { sends: 120, choice: "called" },
    match: { goes: { count: 5, keep: "total" } },
    setup: { players: 6, mode: "turns", seed: 1 },
  },
};
/** Taps that come as fast as anybody taps are one event each so many seconds; see the play screen. */
const RUN = 1;

describe("the longest game fits the record", () => {
  it.each(patternNames)(
    "%s",
    (name) => {
      const longest = LONGEST[name];
      const doc = fromPattern(name);
      const pattern = patternOf(name);
      const params = pattern.params.parse({ ...(doc.pattern.params as object), ...longest.params });
      const around = match.parse({ ...doc.match, ...longest.match });
      const game = openGame(pattern, { params, match: around });
      let state = game.start(longest.setup);
      let events = 0;
      let at = 0;
      while (!game.ending(state)) {
        const asks = game.asks(state);
        const due = game.due(state);
        const [ask] = asks;
        at += ask!.kind === "count" ? RUN * 1000 : 1;
        const body =
          due !== null && at >= due
            ? { kind: "bell", at: due }
            : ask!.kind === "send"
              ? ask!.aim.kind === "point" || ask!.aim.kind === "goal"
                ? { kind: "point", at, side: events % 2 }
                : ask!.aim.kind === "bat"
                  ? { kind: "run", at, reached: [...ask!.aim.runners.map((runner) => Math.min(4, runner + 1)), 1] }
                  : ask!.aim.kind === "near" || ask!.aim.kind === "jack"
                    ? { kind: "send", at, rest: "in", away: 500 }
                    : ask!.aim.kind === "zones" || ask!.aim.kind === "chase" || ask!.aim.kind === "cells"
                      ? { kind: "send", at, rest: ask!.aim.kind === "cells" ? "out" : "short" }
                      : ask!.aim.kind === "fall"
                        ? { kind: "send", at, fell: 1 }
                        : { kind: "send", at, hit: null }
              : ask!.kind === "count"
                ? { kind: "count", at, ...(longest.drops ? { n: 0, drop: true } : { n: 2 }) }
                : ask!.kind === "total"
                  ? { kind: "total", at, n: 1 }
                  : ask!.kind === "mix"
                    ? { kind: "mix", at, cells: ask!.samples[0] }
                    : ask!.kind === "swap"
                      ? { kind: "swap", at, a: ask!.cells.length - 1, b: ask!.cells.length - 2 }
                      : ask!.kind === "choose"
                        ? { kind: "choose", at, of: ask!.of, pick: ask!.must ? ask!.options[0] : null }
                        : { kind: ask!.kind, at };
        const after = game.step(state, body as never);
        if (isRefusal(after)) throw new Error(`${body.kind}: ${after.refused.key}`);
        state = after;
        events++;
      }
      expect(events).toBeGreaterThan(50);
      expect(events).toBeLessThan(MAX_EVENTS - 1);
      expect(opened(withParams(doc, params)).pattern).toBe(pattern);
    },
    60_000,
  );

  it("and a full record ends in words, with its score kept", () => {
    const doc = fromPattern("climb");
    const play = openPlay({ ...doc.pattern, match: doc.match }, { players: 1, mode: "alone", seed: 1 });
    const hit = referee(play, { kind: "send", at: 0, hit: "t1" });
    if (isRefusal(hit)) throw new Error(hit.refused.key);
    const record = Array.from({ length: MAX_EVENTS - 1 }, () => ({ kind: "undo", at: 0 }) as const);
    const full = { ...hit, record };
    expect(referee(full, { kind: "send", at: 1, hit: "t2" })).toEqual({ refused: { key: "refused.full" } });
    const stopped = referee(full, { kind: "stop", at: 1 });
    if (isRefusal(stopped)) throw new Error(stopped.refused.key);
    expect(view(stopped)).toMatchObject({ done: "stopped", score: [{ value: 2 }] });
  });
});
