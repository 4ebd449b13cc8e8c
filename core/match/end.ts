import type { BaseState, Ending, Phrase } from "../contract/contract.ts";
import { LEFT } from "./company.ts";

/** The indices with the largest value, several if they are equal. */
export function mostOf(of: readonly number[]): number[] {
  const best = Math.max(...of);
  return of.flatMap((n, i) => (n === best ? [i] : []));
}

/**
 * How a game between sides ends: the side with the most of what decides has won. `decides` is null if sides do not
 * compete. If a side has left, the game ends for that reason and nobody has won.
 */
export function endOf({ out }: Pick<BaseState, "out">, reason: Phrase, decides: readonly number[] | null): Ending {
  if (out) return { reason: LEFT, winners: [] };
  return { reason, winners: decides ? mostOf(decides) : [] };
}

/**
 * What a number in a working stands for if that is not obvious: `{key n}`, which the catalogue puts into words
 * (`working.key`).
 */
export type Note = "pins" | "allAtOnce" | "lastOne" | "right" | "wrong" | "again" | "leftOnBase";
export const note = (of: Note, count?: number): string => (count === undefined ? `{${of}}` : `{${of} ${count}}`);
/** A sum with its parts, `4 + 2 = 6`. A single part is shown without a sum. */
export const sumOf = (parts: readonly (number | string)[], all: number | string): string =>
  parts.length > 1 ? `${parts.join(" + ")} = ${all}` : parts.join("");
/** The same, except that a single part is left out. */
export const sumOfMany = (parts: readonly (number | string)[], all: number | string): string =>
  parts.length > 1 ? sumOf(parts, all) : "";
