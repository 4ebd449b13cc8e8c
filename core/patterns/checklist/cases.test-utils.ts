import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

const TASK = { task: "catch", height: 1, seconds: 10, metres: 4 } as const;
/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { how: "tick" },
  { need: "done", score: "sends", order: "fixed" },
  { score: "stars", match: { goes: { count: 2, keep: "total" } } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  drops: true,
  params: { tasks: Array.from({ length: 10 }, () => ({ ...TASK, times: 30 })), order: "fixed" },
  match: { goes: { count: 5, keep: "total" } },
  setup: { players: 6, mode: "turns", seed: 1 },
};
