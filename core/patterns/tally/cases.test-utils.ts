import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { keep: "best" },
  { inAir: true, match: { goes: { count: 2, keep: "total" } } },
  {
    rounds: [{ task: "rebound", seconds: 20, rest: 0, hand: "usual", moving: false, bounce: false }],
  },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  params: {
    rounds: Array.from({ length: 6 }, () => ({
      task: "keepUp",
      seconds: 300,
      rest: 0,
      hand: "usual",
      moving: false,
      bounce: false,
    })),
  },
  setup: { players: 6, mode: "turns", seed: 1 },
};
