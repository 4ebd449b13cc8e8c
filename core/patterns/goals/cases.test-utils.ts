import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { alone: { by: "bell", seconds: 30, goals: 5 } },
  { alone: { by: "count", seconds: 30, goals: 4 } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { points: 30 },
  setup: { players: 2, mode: "against", seed: 1 },
};
