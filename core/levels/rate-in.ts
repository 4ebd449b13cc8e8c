import type { Role } from "../contract/contract.ts";
import { layoutOf, rates, type Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";

/** The share of sends that count for somebody, 0 to 1, over all that is aimed at; null where nothing has a chance. `self`: how they play otherwise than the others. */
export function rateIn(a: Activity, who: Who, self: Omit<Role, "role"> | null = null): number | null {
  const all = rates(a, who, layoutOf(a), undefined, self);
  const often = opened(a).probes.map((p) => [all.get(p.id) ?? 0, p.weight ?? 1] as const);
  const sum = often.reduce((n, [, w]) => n + w, 0);
  return sum === 0 ? null : often.reduce((n, [rate, w]) => n + rate * w, 0) / sum;
}
