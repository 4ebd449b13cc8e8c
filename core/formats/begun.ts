import type { Action } from "../actions/actions.ts";
import { bandOf, cuesFor, watchFor } from "../aim/cue-bank.ts";
import { starters } from "../aim/starters.ts";
import type { Activity } from "./activity.ts";

/** How many starter cues and criteria a new activity gets. */
const CUES = 4;
const CRITERIA = 3;
const USUAL = 8;

/**
 * The first content of a new activity for its action and ages: cues, criteria and what to watch for, to be edited or
 * removed.
 */
export function started(action: Action, age = USUAL): Pick<Activity, "cues" | "criteria" | "watch"> {
  const starter = starters[action];
  const entries = (list: readonly string[], sign: string, most: number) =>
    list.slice(0, most).map((text, i) => ({ id: `${sign}${i + 1}`, text }));
  return {
    cues: entries(cuesFor(action, bandOf(age)), "c", CUES),
    criteria: entries(starter.criteria, "k", CRITERIA),
    watch: [...watchFor(action)],
  };
}
