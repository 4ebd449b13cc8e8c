import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { n: 2, least: 1, most: 2 },
  { n: 3, reach: "next" },
  { n: 3, score: "time" },
  { n: 3, match: { goes: { count: 2, keep: "total" } } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { n: 5, least: 18, most: 20, exercise: { name: "hops", dose: 1 } },
  match: { goes: { count: 5, keep: "total" } },
  setup: { players: 6, mode: "turns", seed: 1 },
};
