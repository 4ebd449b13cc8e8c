import type { Knob } from "#core/contract/contract.ts";
import { fieldOf, setTo } from "#core/contract/range.ts";
import { type Activity, fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { same } from "./paths.ts";

interface Usual {
  activity: Activity;
  knobs: readonly Knob[];
}
const known = new Map<string, Usual>();

/** An activity of this game as it comes, before anything was set. */
export function usualOf(name: Activity["pattern"]["name"]): Usual {
  let usual = known.get(name);
  if (!usual) {
    const activity = fromPattern(name);
    usual = { activity, knobs: opened(activity).knobs() };
    known.set(name, usual);
  }
  return usual;
}

const at = (knob: Knob, { pattern, match }: Activity) => setTo(knob, { params: pattern.params, match });

/**
 * The value that a game comes with for a setting. Undefined if it comes without that setting, or if it is what is
 * written or put there, which no teacher leaves as it comes. A choice that is described by a whole part of the
 * parameters is found by its label, because its value holds what else is set in that part.
 */
export function usualValue(knob: Knob, usual: Usual): unknown {
  if (knob.kind === "text" || knob.kind === "item") return undefined;
  const there = usual.knobs.find((other) => fieldOf(other) === fieldOf(knob) && other.label === knob.label);
  if (there?.kind !== knob.kind) return undefined;
  const value = at(there, usual.activity) ?? null;
  if (knob.kind !== "choice" || there.kind !== "choice") return value;
  const label = there.options.find((option) => same(option.value, value))?.label;
  return knob.options.find((option) => option.label === label)?.value;
}

/** Whether a setting is not as the game comes. */
export function isChanged(knob: Knob, activity: Activity): boolean {
  const usual = usualValue(knob, usualOf(activity.pattern.name));
  return usual !== undefined && !same(usual, at(knob, activity) ?? null);
}
