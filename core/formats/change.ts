import { familyKnobs, fieldOf } from "../contract/range.ts";
import type { Setting } from "../contract/setting.ts";
import { hasField, withSetting } from "../contract/settings.ts";
import type { Activity } from "./activity.ts";
import { opened } from "./opened.ts";

/**
 * An activity with some settings of its game changed, for example for one child. Fields that do not exist are
 * ignored.
 */
export function adjusted(activity: Activity, settings: readonly Setting[]): Activity {
  const known = settings.filter((setting) =>
    hasField({ params: activity.pattern.params, match: activity.match }, setting.field),
  );
  if (known.length === 0) return activity;
  const { params, match } = known.reduce(withSetting<{ params: unknown; match: unknown }>, {
    params: activity.pattern.params,
    match: activity.match,
  });
  return { ...activity, pattern: { ...activity.pattern, params }, match } as Activity;
}

/**
 * An activity without those family settings whose fields no longer exist in the game, for example after a round was
 * removed.
 */
export function withoutLost(activity: Activity): Activity {
  if (activity.family.length === 0) return activity;
  const game = { params: activity.pattern.params, match: activity.match };
  const known = new Set(familyKnobs(opened(activity).familyKnobs(), game).map(fieldOf));
  return activity.family.every((range) => known.has(range.field))
    ? activity
    : { ...activity, family: activity.family.filter((range) => known.has(range.field)) };
}
