import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { finish: { rounds: 3, total: null, exact: false, dropTo: null } },
  { finish: { rounds: null, total: 24, exact: true, dropTo: 16 } },
  { finish: { rounds: null, total: 15, exact: false, dropTo: null }, pieces: 2 },
  { finish: { rounds: 4, total: 20, exact: false, dropTo: null } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: {
    pieces: 10,
    blocker: true,
    counting: "all",
    finish: { rounds: 100, total: null, exact: false, dropTo: null },
  },
  setup: { players: 6, mode: "against", seed: 1 },
};
