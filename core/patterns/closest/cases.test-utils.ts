import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { finish: { points: null, rounds: 3 } },
  { finish: { points: 4, rounds: null }, pieces: 1, jack: "placed" },
  { dead: true, order: "farther", mark: 0.8 },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { pieces: 4, finish: { points: null, rounds: 40 } },
  setup: { players: 6, mode: "against", seed: 1 },
};
