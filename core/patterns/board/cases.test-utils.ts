import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { sends: 2 },
  { once: true, sends: null },
  { once: true, sends: 2, choice: "called" },
  { sends: 5, match: { goes: { count: 2, keep: "total" } } },
  { sends: null, match: { seconds: 60 } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { sends: 120, choice: "called" },
  match: { goes: { count: 5, keep: "total" } },
  setup: { players: 6, mode: "turns", seed: 1 },
};
