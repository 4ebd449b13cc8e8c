import { bands } from "./bands/index.ts";
import { climb } from "./climb/index.ts";
import type { BaseState, Pattern } from "./contract.ts";
import { pins } from "./pins/index.ts";
import { tally } from "./tally/index.ts";
import { threeLine } from "./three-line/index.ts";

/** Every pattern, one line each. The registry test walks them all. */
export const patterns = {
  climb,
  bands,
  pins,
  threeLine,
  tally,
} as const;

export type PatternName = keyof typeof patterns;
export const patternNames = Object.keys(patterns) as PatternName[];

/** A pattern whose parameters and state are its own business: what referee, forecast and screens work on. */
export type AnyPattern = Pattern<unknown, BaseState>;

export function patternOf(name: string): AnyPattern {
  const found = (patterns as Record<string, unknown>)[name];
  if (!found) throw new RangeError(`pattern.name: "${name}" is not one of ${patternNames.join(", ")}`);
  return found as AnyPattern;
}
