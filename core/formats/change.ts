import { familyKnobs, fieldOf } from "../contract/range.ts";
import type { Setting } from "../contract/setting.ts";
import { hasField, withSetting } from "../contract/settings.ts";
import type { Activity } from "./activity.ts";
import { opened } from "./opened.ts";

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

/** An activity without what was left to the family and is not in the game any more, as when a round is taken away. */
export function withoutLost(a: Activity): Activity {
  if (a.family.length === 0) return a;
  const game = { params: a.pattern.params, match: a.match };
  const known = new Set(familyKnobs(opened(a).familyKnobs(), game).map(fieldOf));
  return a.family.every((f) => known.has(f.field)) ? a : { ...a, family: a.family.filter((f) => known.has(f.field)) };
}
