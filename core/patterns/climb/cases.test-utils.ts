import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { scoring: { by: "points", first: 5, growth: 3 }, tries: 3 },
  { scoring: { by: "points", first: 2, growth: 0 }, match: { goes: { count: 3, keep: "total" } }, tries: 6 },
  { scoring: { by: "tries" }, tries: 7 },
  { scoring: { by: "tries" }, tries: 9, match: { goes: { count: 2, keep: "total" } } },
  { scoring: { by: "time" }, match: { seconds: 40 } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { tries: 200, forfeit: { misses: 1, exercise: "hops", dose: 1 } },
  match: { goes: { count: 5, keep: "total" } },
  setup: { players: 6, mode: "turns", seed: 1 },
};
