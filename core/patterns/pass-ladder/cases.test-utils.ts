import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { score: "passes", drop: "repeat" },
  { score: "passes", drop: "stay", sends: 5 },
  { way: { kind: "pair", bounce: true }, drop: "back", sends: 9, match: { goes: { count: 2, keep: "total" } } },
  { score: "time", sends: null, match: { seconds: 60 } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: { sends: 200 },
  match: { goes: { count: 5, keep: "total" } },
  setup: { players: 6, mode: "turns", seed: 1 },
};
