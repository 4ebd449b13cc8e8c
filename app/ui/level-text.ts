import { fieldOf } from "#core/contract/range.ts";
import type { Activity } from "#core/formats/activity.ts";
import { type LevelSetting, levelWords, settable } from "#core/levels/levels.ts";
import { sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { knobName } from "./knob-name.ts";

/** A level of an activity in a teacher's words, counted in steps of somebody; `names`: of things. */
export function levelText(a: Activity, s: LevelSetting, step: number, names: Record<string, string>): string {
  const knobs = settable(a);
  const set = s.settings.map(({ field, value }) => {
    const knob = knobs.find((k) => fieldOf(k) === field);
    const name = knob ? knobName(knob, knobs) : field;
    return `${name}: ${typeof value === "boolean" ? (value ? "yes" : "no") : value}`;
  });
  const said = levelWords(s, step).map((p) => sayPhrase(p, names));
  return [...said.slice(0, 1), ...(s.action ? [label(`action.${s.action}`)] : []), ...said.slice(1), ...set]
    .filter((t) => t !== "")
    .join(", ");
}
