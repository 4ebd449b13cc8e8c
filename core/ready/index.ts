import type { Activity } from "../formats/activity.ts";
import list from "./ready.json" with { type: "json" };
import { type Skill, skillOf } from "./skills.ts";

/** A ready activity: as it is for its ages, and for the youngest. */
export interface Ready {
  id: string;
  activity: Activity;
  youngest: Activity;
}
/** Documents that were read when they were made; a test reads them again. */
export const ready = list as unknown as readonly Ready[];

export interface Wanted {
  skill?: Skill | undefined;
  /** Ages of a class: the youngest and the oldest in it, years. */
  ages?: { from: number; to: number } | undefined;
  indoors?: boolean | undefined;
  alone?: boolean | undefined;
  /** At most so long, minutes. */
  minutes?: number | undefined;
  /** No longer than this, metres. */
  length?: number | undefined;
  /** With this thing to send or to hold. */
  thing?: string | undefined;
}
/** What ready activities are played with, the commonest first. */
export const THINGS: readonly string[] = (() => {
  const n = new Map<string, number>();
  for (const { activity: a } of ready)
    for (const id of [a.kit.send, a.kit.implement]) if (id) n.set(id, (n.get(id) ?? 0) + 1);
  return [...n.entries()].sort((x, y) => y[1] - x[1] || x[0].localeCompare(y[0])).map(([id]) => id);
})();

/** Whether an activity is what was looked for. What is for ages that only touch those of the class is not. */
export function suits(a: Activity, w: Wanted): boolean {
  const middle = w.ages && (w.ages.from + w.ages.to) / 2;
  return (
    (w.skill === undefined || skillOf(a.aim.action) === w.skill) &&
    (middle === undefined || (a.ages.from <= middle && middle <= a.ages.to)) &&
    (w.indoors === undefined || a.space.indoors === w.indoors) &&
    (w.alone === undefined || (w.alone ? a.players.modes.includes("alone") : a.players.most > 1)) &&
    (w.minutes === undefined || a.minutes <= w.minutes) &&
    (w.length === undefined || a.space.length <= w.length) &&
    (w.thing === undefined || a.kit.send === w.thing || a.kit.implement === w.thing)
  );
}
/** What is ready, in the version that suits best: for its ages, or for the youngest where the class is younger. */
export interface Found {
  id: string;
  activity: Activity;
  youngest: boolean;
}
export function find(w: Wanted): Found[] {
  return ready.flatMap(({ id, activity, youngest }): Found[] =>
    suits(activity, w)
      ? [{ id, activity, youngest: false }]
      : suits(youngest, w)
        ? [{ id, activity: youngest, youngest: true }]
        : [],
  );
}
