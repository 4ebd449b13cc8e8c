import type { Action } from "../actions/actions.ts";
import { starters } from "../aim/starters.ts";
import type { Activity } from "./activity.ts";

/** So many starter cues and criteria stand on a new activity. */
const CUES = 4;
const CRITERIA = 3;

/** What a new activity begins with for its action: cues and criteria, to be edited or dropped. */
export function started(action: Action): Pick<Activity, "cues" | "criteria"> {
  const s = starters[action];
  const entries = (list: readonly string[], sign: string, most: number) =>
    list.slice(0, most).map((text, i) => ({ id: `${sign}${i + 1}`, text }));
  return { cues: entries(s.cues, "c", CUES), criteria: entries(s.criteria, "k", CRITERIA) };
}
