import type { LongestCase, PossibleCase } from "../cases.test-utils.ts";

const STAGE = {
  task: "touch",
  inAll: false,
  hand: "usual",
  posture: "standing",
  moving: false,
  bounce: false,
  height: 1,
} as const;
/** What the game is tried with besides its example, to hold what can be written on paper against what can be scored. */
export const possible: readonly PossibleCase[] = [
  { score: "run", tries: 3, drop: "costsOne" },
  { score: "sum", stays: false, tries: 12 },
  { drop: "ends" },
  { tries: null, match: { seconds: 30 } },
];

/** The longest game that the schema allows, with an event at each ask that keeps it long. */
export const longest: LongestCase = {
  drops: true,
  params: { tries: 60, stages: [{ ...STAGE, count: null }], score: "run" },
  match: { goes: { count: 5, keep: "total" } },
  setup: { players: 6, mode: "turns", seed: 1 },
};
