import type { BaseState, Ending, Phrase } from "../contract/contract.ts";
import { LEFT } from "./company.ts";

/** Who has most, several where they are level. */
export function mostOf(of: readonly number[]): number[] {
  const best = Math.max(...of);
  return of.flatMap((n, i) => (n === best ? [i] : []));
}

/**
 * How a game of sides ends: the side with most has won, of what decides; null where nobody meets anybody. Where a side has left the others it ends for
 * that, and nobody has won.
 */
export function endOf({ out }: Pick<BaseState, "out">, reason: Phrase, decides: readonly number[] | null): Ending {
  if (out) return { reason: LEFT, winners: [] };
  return { reason, winners: decides ? mostOf(decides) : [] };
}

/** What a number of a working is for, where that is not plain: `{key n}`, which the catalogue puts into words (`working.key`). */
export type Note = "pins" | "allAtOnce" | "lastOne" | "right" | "wrong" | "again" | "leftOnBase";
export const note = (of: Note, count?: number): string => (count === undefined ? `{${of}}` : `{${of} ${count}}`);
/** A sum with its parts, `4 + 2 = 6`; one part alone is told as it is. */
export const sumOf = (parts: readonly (number | string)[], all: number | string): string =>
  parts.length > 1 ? `${parts.join(" + ")} = ${all}` : parts.join("");
/** The same where one part alone needs no telling. */
export const sumOfMany = (parts: readonly (number | string)[], all: number | string): string =>
  parts.length > 1 ? sumOf(parts, all) : "";
