import type { Activity } from "../formats/activity.ts";
import list from "./ready.json" with { type: "json" };
import { type Skill, skillOf } from "./skills.ts";

/** A ready activity: for its own ages, and for the youngest. */
export interface Ready {
  id: string;
  activity: Activity;
  youngest: Activity;
}
/** Documents that were checked when they were made. A test checks them again. */
export const ready = list as unknown as readonly Ready[];

export interface Wanted {
  skill?: Skill | undefined;
  /** The ages of a class: the youngest and the oldest child, years. */
  ages?: { from: number; to: number } | undefined;
  indoors?: boolean | undefined;
  alone?: boolean | undefined;
  /** At most this long, minutes. */
  minutes?: number | undefined;
  /** At most this long, metres. */
  length?: number | undefined;
  /** The item that is sent or held. */
  thing?: string | undefined;
}
/** The items that ready activities use, commonest first. */
export const THINGS: readonly string[] = (() => {
  const n = new Map<string, number>();
  for (const { activity } of ready)
    for (const id of [activity.kit.send, activity.kit.implement]) if (id) n.set(id, (n.get(id) ?? 0) + 1);
  return [...n.entries()].sort((x, y) => y[1] - x[1] || x[0].localeCompare(y[0])).map(([id]) => id);
})();

/** True if an activity is what somebody is looking for. An activity whose ages only touch those of the class is not. */
export function suits(activity: Activity, wanted: Wanted): boolean {
  const middle = wanted.ages && (wanted.ages.from + wanted.ages.to) / 2;
  return (
    (wanted.skill === undefined || skillOf(activity.aim.action) === wanted.skill) &&
    (middle === undefined || (activity.ages.from <= middle && middle <= activity.ages.to)) &&
    (wanted.indoors === undefined || activity.space.indoors === wanted.indoors) &&
    (wanted.alone === undefined ||
      (wanted.alone ? activity.players.modes.includes("alone") : activity.players.most > 1)) &&
    (wanted.minutes === undefined || activity.minutes <= wanted.minutes) &&
    (wanted.length === undefined || activity.space.length <= wanted.length) &&
    (wanted.thing === undefined || activity.kit.send === wanted.thing || activity.kit.implement === wanted.thing)
  );
}
/** A ready activity in the version that suits best: for its own ages, or for the youngest if the class is younger. */
export interface Found {
  id: string;
  activity: Activity;
  youngest: boolean;
}
export function find(wanted: Wanted): Found[] {
  return ready.flatMap(({ id, activity, youngest }): Found[] =>
    suits(activity, wanted)
      ? [{ id, activity, youngest: false }]
      : suits(youngest, wanted)
        ? [{ id, activity: youngest, youngest: true }]
        : [],
  );
}
