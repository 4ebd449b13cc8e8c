import type { AnyPattern } from "#core/contract/contract.ts";
import { type FamilyKnob, familyKnobs, fieldOf, setTo } from "#core/contract/range.ts";
import { LINE_FIELD, linesOf, standingKnobs } from "#core/contract/standing.ts";
import type { Activity } from "#core/formats/activity.ts";
import { matchKnobs } from "#core/match/knobs.ts";
import { loadPattern } from "#core/patterns/load.ts";

export type SetValue = string | number | boolean;
export type SetValues = Readonly<Record<string, SetValue>>;

export interface Choosable {
  knob: FamilyKnob;
  field: string;
  /** The values to choose from, including the teacher's own. */
  values: readonly SetValue[];
  usual: SetValue;
}

/** Returns what the family may set before the first attempt. */
function choosable(activity: Activity, pattern: AnyPattern): Choosable[] {
  const game = { params: activity.pattern.params, match: activity.match };
  const knobs = [
    ...pattern.knobs(game.params),
    ...matchKnobs(activity.match, pattern.match.fields, pattern.match.swaps),
    ...standingKnobs(pattern, game.params),
  ];
  return familyKnobs(knobs, game).flatMap((knob) => {
    const field = fieldOf(knob);
    const range = activity.family.find((eachRange) => eachRange.field === field);
    if (!range) return [];
    const usual = setTo(knob, game) as SetValue;
    const values =
      field === LINE_FIELD
        ? linesOf(pattern, game.params, range.values)
        : [...new Set([...range.values, usual])].sort((x, y) => Number(x) - Number(y));
    return values.length > 1 ? [{ knob, field, values, usual }] : [];
  });
}

/** Loads an activity's whole pattern and works out what the family may set before the first attempt. */
export async function loadChoosable(
  activity: Activity,
): Promise<{ pattern: AnyPattern; choices: readonly Choosable[] }> {
  const pattern = await loadPattern(activity.pattern.name);
  return { pattern, choices: choosable(activity, pattern) };
}
