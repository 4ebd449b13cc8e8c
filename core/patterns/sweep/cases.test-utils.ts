import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { score: "points", sends: 3 },
  { score: "points", sends: 7, collect: false, match: { goes: { count: 2, keep: "total" } } },
  { score: "sends", sends: 6 },
  { score: "time", match: { seconds: 40 } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { sends: 200 },
  match: { goes: { count: 5, keep: "total" } },
  setup: { players: 6, mode: "turns", seed: 1 },
};
