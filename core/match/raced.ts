import type { Unit } from "../contract/contract.ts";
import type { Sum } from "./matched.ts";

/** Above everything that a go not finished can reach, and what one stage is worth below it. */
const FINISHED = 100_000_000;
const STAGE = 1000;

/** Points by points; fewest sends and shortest time by those who finished, before all who did not, and these by how far they came. */
export function raced(
  unit: Extract<Unit, "points" | "sends" | "tenths">,
  { value, finished, stage }: Pick<Sum, "value" | "finished" | "stage">,
): Pick<Sum, "unit" | "better" | "rank"> {
  if (unit === "points") return { unit, better: "more", rank: value };
  return { unit, better: "less", rank: finished ? FINISHED - value : stage * STAGE };
}
