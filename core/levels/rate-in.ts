import type { Role } from "../contract/contract.ts";
import { layoutOf, rates, type Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";

/** What is hit less often than that is not gone on with for ever. */
const LEAST = 0.02;

/**
 * The share of the sends made in play that count for somebody, 0 to 1; null where nothing has a chance. What is sent at until it is hit is sent at the
 * more often the rarer it is hit: `1 / p` times. `self`: how they play otherwise than the others.
 */
export function rateIn(a: Activity, who: Who, self: Omit<Role, "role"> | null = null): number | null {
  const all = rates(a, who, layoutOf(a), undefined, self, (p) => p.hits ?? p.counts);
  const often = opened(a).probes.map((p) => {
    const rate = all.get(p.id) ?? 0;
    return [rate, (p.weight ?? 1) * (p.untilHit ? 1 / Math.max(LEAST, rate) : 1)] as const;
  });
  const sum = often.reduce((n, [, w]) => n + w, 0);
  return sum === 0 ? null : often.reduce((n, [rate, w]) => n + rate * w, 0) / sum;
}
