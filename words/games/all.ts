import type { PatternName } from "#core/patterns/registry.ts";
import { words as bands } from "./bands.ts";
import { words as bases } from "./bases.ts";
import { words as board } from "./board.ts";
import { words as checklist } from "./checklist.ts";
import { words as climb } from "./climb.ts";
import { words as closest } from "./closest.ts";
import { words as goals } from "./goals.ts";
import { words as passLadder } from "./pass-ladder.ts";
import { words as pins } from "./pins.ts";
import { words as rally } from "./rally.ts";
import { words as speller } from "./speller.ts";
import { words as stackUp } from "./stack-up.ts";
import { words as streak } from "./streak.ts";
import { words as swapSquare } from "./swap-square.ts";
import { words as sweep } from "./sweep.ts";
import { words as tally } from "./tally.ts";
import { words as threeLine } from "./three-line.ts";

/** Sentences of each game alone, for those who have to do with all of them. */
export const gameWords: Record<PatternName, Readonly<Record<string, string>>> = {
  climb,
  bands,
  pins,
  threeLine,
  tally,
  sweep,
  board,
  stackUp,
  streak,
  closest,
  passLadder,
  speller,
  rally,
  goals,
  swapSquare,
  bases,
  checklist,
};
