import { hasField, type Setting, withSetting } from "../contract/settings.ts";
import type { Activity } from "./activity.ts";

/** An activity with some of its game set otherwise: what one child needs, say. What is not there is left alone. */
export function adjusted(a: Activity, settings: readonly Setting[]): Activity {
  const known = settings.filter((s) => hasField({ params: a.pattern.params, match: a.match }, s.field));
  if (known.length === 0) return a;
  const { params, match } = known.reduce(withSetting<{ params: unknown; match: unknown }>, {
    params: a.pattern.params,
    match: a.match,
  });
  return { ...a, pattern: { ...a.pattern, params }, match } as Activity;
}
