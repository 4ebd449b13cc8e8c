import type { AnyPlayPattern } from "#core/contract/contract.ts";
import type { CardData } from "../card/card-data.ts";
import type { LocalPlay } from "../device/store.ts";

/** The teacher's mark, unless the match is scored in another way than it. */
export function markOf(pattern: AnyPlayPattern, data: CardData, local: LocalPlay): number | null {
  // A go without things compares with nothing that was sent.
  if (local.decided?.bare) return null;
  return pattern.matchApart(data.card.activity.pattern.params, local.setup) ? null : data.mark;
}
