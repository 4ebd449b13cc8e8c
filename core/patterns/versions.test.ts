import { describe, expect, it } from "vitest";
import { z } from "zod";
import type { AnyPattern, Pattern } from "../contract/contract.ts";
import { hasRules, openGame } from "../contract/game.ts";
import { USUAL_MATCH } from "../contract/match.ts";
import type { GoRules } from "../match/go-rules.ts";
import { matched } from "../match/matched.ts";
import { openPlayOf, replayOf, view } from "../referee/play.ts";

/** A pattern of three sends; a hit was worth one point in the first version, and is worth `worth` in the next. */
const go = (worth: number): GoRules<null, { hits: number; sends: number }> => ({
  begin: () => ({ hits: 0, sends: 0 }),
  asks: (_, __, player) => [
    {
      kind: "send",
      player,
      from: "start",
      manner: {},
      aim: { kind: "any", want: ["t"], among: ["t"] },
      fetch: false,
    },
  ],
  step: (_, g, event) => {
    const next = { hits: g.hits + (event.kind === "send" && event.hit === "t" ? 1 : 0), sends: g.sends + 1 };
    return { go: next, after: next.sends === 3 ? "end" : "on" };
  },
  clock: () => null,
  sum: (_, g) => ({
    value: g.hits * worth,
    unit: "points",
    better: "more",
    rank: g.hits,
    working: "",
    sends: g.sends,
    stage: 0,
    stages: 0,
    finished: g.sends === 3,
  }),
  key: (_, g) => JSON.stringify(g),
  now: () => ({ key: "x" }),
  done: () => [],
  ended: () => ({ key: "x" }),
  together: "share",
});
const small = {
  name: "small",
  rulesVersion: 2,
  params: z.null(),
  rules: matched(go(5)),
  earlier: { 1: matched(go(1)) },
  match: { fields: [], initial: USUAL_MATCH },
} as unknown as Pattern<null> as unknown as AnyPattern;

describe("a play is replayed under the rules that it began with", () => {
  const alone = { players: 1, mode: "alone", seed: 1 } as const;
  const events = ["t", null, "t"].map((hit, i) => ({ kind: "send" as const, at: i, hit }));
  it("scores as it did, whatever the rules are now", () => {
    const by = (version?: number) =>
      view(replayOf(small, { params: null }, { setup: alone, events, version }).play).score[0]!.value;
    expect([by(1), by(2), by()]).toEqual([2, 10, 10]);
  });
  it("says so where the rules of a version are not there", () => {
    expect([hasRules(small, 1), hasRules(small, 2), hasRules(small, 3)]).toEqual([true, true, false]);
    expect(() => openGame(small, { params: null }, 3)).toThrow("rulesVersion: small has no rules of version 3");
    expect(() => openPlayOf(small, { params: null }, alone, 9)).toThrow("rulesVersion");
  });
});
