import { fieldOf } from "#core/contract/range.ts";
import type { Activity } from "#core/formats/activity.ts";
import { type LevelSetting, levelWords, settable } from "#core/levels/levels.ts";
import { sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { knobName } from "./knob-name.ts";

/**
 * All levels of an activity in a teacher's words, no two alike. If steps are too coarse to tell two levels apart, the
 * line is given in centimetres. A level that does not differ from the design says so.
 */
export function levelTexts(
  activity: Activity,
  list: readonly LevelSetting[],
  step: number,
  names: Record<string, string>,
): string[] {
  const plain = list.map((setting) => levelText(activity, setting, step, names));
  const exact = list.map((setting, i) =>
    plain.filter((text) => text === plain[i]).length > 1 &&
    list.some((eachSetting, k) => plain[k] === plain[i] && eachSetting.line !== setting.line)
      ? `${plain[i]} (${tell("level.exactly", { cm: Math.round(100 * Math.abs(setting.line)), way: setting.line > 0 ? "farther" : setting.line < 0 ? "nearer" : "drawn" })})`
      : plain[i]!,
  );
  return exact.map((text, i) => {
    const first = exact.indexOf(text);
    return first === i ? text : tell("level.sameAs", { number: first + 1 });
  });
}

/**
 * A level of an activity in a teacher's words. Distances are counted in one child's steps. `names`: what the items
 * are called.
 */
export function levelText(
  activity: Activity,
  setting: LevelSetting,
  step: number,
  names: Record<string, string>,
): string {
  const knobs = settable(activity);
  const set = setting.settings.map(({ field, value }) => {
    const knob = knobs.find((eachKnob) => fieldOf(eachKnob) === field);
    const name = knob ? knobName(knob, knobs, attemptWordsForTeacher(activity.aim.action)) : field;
    return `${name}: ${typeof value === "boolean" ? (value ? "yes" : "no") : value}`;
  });
  const words = levelWords(setting, step).map((levelWord) => sayPhrase(levelWord, names));
  return [
    ...words.slice(0, 1),
    ...(setting.action ? [label(`action.${setting.action}`)] : []),
    ...words.slice(1),
    ...set,
  ]
    .filter((text) => text !== "")
    .join(", ");
}
