import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { innings: 1 },
  { innings: 1, turn: { by: "outs", outs: 2, batters: 4 }, outs: ["caught", "swings"] },
  { innings: 2, bases: 1, trips: true },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { turn: { by: "batters", outs: 9, batters: 40 }, innings: 9 },
  setup: { players: 6, mode: "against", seed: 1 },
};
