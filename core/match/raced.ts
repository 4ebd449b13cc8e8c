import { betterIn, type Unit } from "../contract/contract.ts";
import type { Sum } from "./go-rules.ts";

/** More than any unfinished go can reach, and the worth of one stage below it. */
const FINISHED = 100_000_000;
const STAGE = 1000;

/**
 * The rank of a go. Points by points. For fewest rounds, fewest sends and shortest time: those who finished by that
 * number, before all who did not, and those by how far they came.
 */
export function raced(
  unit: Unit,
  { value, finished, stage }: Pick<Sum, "value" | "finished" | "stage">,
): Pick<Sum, "unit" | "better" | "rank"> {
  const better = betterIn(unit);
  if (better === "more") return { unit, better, rank: value };
  return { unit, better, rank: finished ? FINISHED - value : stage * STAGE };
}
