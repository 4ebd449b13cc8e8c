import type { Role } from "../contract/contract.ts";
import { layoutOf, rates, type Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";

/** Less frequent hits than this are not pursued any longer. */
const LEAST = 0.02;

/**
 * The share of the sends in a game that count for a person, 0 to 1. Null if nothing has a chance. A target that is
 * sent at until it is hit is sent at more often the rarer the hits are: `1 / p` times. `self`: how the person plays
 * differently from the others.
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
