import { betterIn, type Unit } from "../contract/contract.ts";
import type { Sum } from "./go-rules.ts";

/** Above everything that a go not finished can reach, and what one stage is worth below it. */
const FINISHED = 100_000_000;
const STAGE = 1000;

/** What is counted by more of it; fewest rounds, sends and shortest time by those who finished, before all who did not, and these by how far they came. */
export function raced(
  unit: Unit,
  { value, finished, stage }: Pick<Sum, "value" | "finished" | "stage">,
): Pick<Sum, "unit" | "better" | "rank"> {
  const better = betterIn(unit);
  if (better === "more") return { unit, better, rank: value };
  return { unit, better, rank: finished ? FINISHED - value : stage * STAGE };
}
