import type { PatternName } from "#core/patterns/registry.ts";
import { addWords } from "../say.ts";

/** Sentences of one game: a device that plays it gets those of no other. Complete by the compiler. */
const loaders: Record<PatternName, () => Promise<{ words: Readonly<Record<string, string>> }>> = {
  climb: () => import("./climb.ts"),
  bands: () => import("./bands.ts"),
  pins: () => import("./pins.ts"),
  threeLine: () => import("./three-line.ts"),
  tally: () => import("./tally.ts"),
  sweep: () => import("./sweep.ts"),
  board: () => import("./board.ts"),
  stackUp: () => import("./stack-up.ts"),
  streak: () => import("./streak.ts"),
  closest: () => import("./closest.ts"),
  passLadder: () => import("./pass-ladder.ts"),
  speller: () => import("./speller.ts"),
  rally: () => import("./rally.ts"),
  goals: () => import("./goals.ts"),
  swapSquare: () => import("./swap-square.ts"),
  bases: () => import("./bases.ts"),
  checklist: () => import("./checklist.ts"),
};

/** Adds the sentences of a game to those that can be said. */
export async function loadWords(name: PatternName): Promise<void> {
  addWords((await loaders[name]()).words);
}
