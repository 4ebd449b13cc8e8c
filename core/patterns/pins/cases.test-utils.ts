import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { frames: 2, rolls: 3, standUp: true, points: 1 },
  { formation: { kind: "own", count: 4, depth: 0.9, width: 0.9 }, frames: 3, bonus: 0 },
  { frames: 1, rolls: 1, pieces: 2, match: { goes: { count: 2, keep: "total" } } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { rolls: 5, frames: 10, standUp: true },
  match: { goes: { count: 5, keep: "total" } },
  setup: { players: 6, mode: "turns", seed: 1 },
};
