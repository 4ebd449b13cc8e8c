import type { AnyPlayPattern } from "#core/contract/contract.ts";
import type { CardData } from "../card/card-data.ts";
import type { LocalPlay } from "../device/store.ts";

/** Returns the score to beat, or null if this match is scored in another way. */
export function markOf(pattern: AnyPlayPattern, data: CardData, local: LocalPlay): number | null {
  // A go without equipment cannot be compared with any other.
  if (local.decided?.bare) return null;
  return pattern.matchApart(data.card.activity.pattern.params, local.setup) ? null : data.mark;
}
