import { describe, expect, it } from "vitest";
import { isRefusal } from "../contract/contract.ts";
import { openGame } from "../contract/game.ts";
import { match } from "../contract/match-schema.ts";
import { MAX_EVENTS } from "../events/limits.ts";
import { fromPattern } from "../formats/activity.ts";
import { opened, withParams } from "../formats/opened.ts";
import { openPlay, referee, view } from "../referee/referee.ts";
import { casesOf } from "./cases.test-utils.ts";
import { patternNames, patternOf } from "./registry.ts";

/** Taps that come as fast as anybody taps are one event each so many seconds; see the play screen. */
const RUN = 1;

describe("the longest game fits the record", () => {
  it.each(patternNames)(
    "%s",
    (name) => {
      const longest = casesOf[name].longest;
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
