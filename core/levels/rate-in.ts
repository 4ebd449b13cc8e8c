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
export function rateIn(activity: Activity, who: Who, self: Omit<Role, "role"> | null = null): number | null {
  const all = rates(activity, who, layoutOf(activity), undefined, self, (probe) => probe.hits ?? probe.counts);
  const often = opened(activity).probes.map((probe) => {
    const rate = all.get(probe.id) ?? 0;
    return [rate, (probe.weight ?? 1) * (probe.untilHit ? 1 / Math.max(LEAST, rate) : 1)] as const;
  });
  const sum = often.reduce((eachSum, [, weight]) => eachSum + weight, 0);
  return sum === 0 ? null : often.reduce((eachSum, [rate, weight]) => eachSum + rate * weight, 0) / sum;
}
