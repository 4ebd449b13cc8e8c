import type { AnyPattern } from "../contract/contract.ts";
import { bands } from "./bands/index.ts";
import { bases } from "./bases/index.ts";
import { board } from "./board/index.ts";
import { checklist } from "./checklist/index.ts";
import { climb } from "./climb/index.ts";
import { closest } from "./closest/index.ts";
import { goals } from "./goals/index.ts";
import { passLadder } from "./pass-ladder/index.ts";
import { pins } from "./pins/index.ts";
import { rally } from "./rally/index.ts";
import { speller } from "./speller/index.ts";
import { stackUp } from "./stack-up/index.ts";
import { streak } from "./streak/index.ts";
import { swapSquare } from "./swap-square/index.ts";
import { sweep } from "./sweep/index.ts";
import { tally } from "./tally/index.ts";
import { threeLine } from "./three-line/index.ts";

/** Every pattern, one line each. The registry test walks them all. */
export const patterns = {
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
  checklist,
  rally,
  goals,
  swapSquare,
  bases,
} as const;

export type PatternName = keyof typeof patterns;
export const patternNames = Object.keys(patterns) as PatternName[];

export type { AnyPattern };

export function patternOf(name: string): AnyPattern {
  const found = (patterns as Record<string, unknown>)[name];
  if (!found) throw new RangeError(`pattern.name: "${name}" is not one of ${patternNames.join(", ")}`);
  return found as AnyPattern;
}
