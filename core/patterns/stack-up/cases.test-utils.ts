import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { score: "rounds" },
  { score: "rounds", rounds: null, full: 3 },
  { score: "felled", rounds: 5 },
  { after: "again", full: 3, rounds: 9 },
  { firstEnds: true, rounds: 4, match: { goes: { count: 2, keep: "total" } } },
  { score: "time", match: { seconds: 60 } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { full: 10, rounds: 60, sends: 4 },
  match: { goes: { count: 5, keep: "total" } },
  setup: { players: 6, mode: "turns", seed: 1 },
};
