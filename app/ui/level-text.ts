import { fieldOf } from "#core/contract/range.ts";
import type { Activity } from "#core/formats/activity.ts";
import { type LevelSetting, levelWords, settable } from "#core/levels/levels.ts";
import { sayPhrase } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { knobName } from "./knob-name.ts";

/**
 * All levels of an activity in a teacher's words, no two alike: where steps are too coarse to tell them apart, the line is given in centimetres, and
 * a level that differs in nothing says so.
 */
export function levelTexts(
  a: Activity,
  list: readonly LevelSetting[],
  step: number,
  names: Record<string, string>,
): string[] {
  const plain = list.map((s) => levelText(a, s, step, names));
  const exact = list.map((s, i) =>
    plain.filter((t) => t === plain[i]).length > 1 && list.some((o, k) => plain[k] === plain[i] && o.line !== s.line)
      ? `${plain[i]} (${tell("level.exactly", { cm: Math.round(100 * Math.abs(s.line)), way: s.line > 0 ? "farther" : s.line < 0 ? "nearer" : "drawn" })})`
      : plain[i]!,
  );
  return exact.map((t, i) => {
    const first = exact.indexOf(t);
    return first === i ? t : tell("level.sameAs", { number: first + 1 });
  });
}

/** A level of an activity in a teacher's words, counted in steps of somebody; `names`: of things. */
export function levelText(a: Activity, s: LevelSetting, step: number, names: Record<string, string>): string {
  const knobs = settable(a);
  const set = s.settings.map(({ field, value }) => {
    const knob = knobs.find((k) => fieldOf(k) === field);
    const name = knob ? knobName(knob, knobs, attemptWordsForTeacher(a.aim.action)) : field;
    return `${name}: ${typeof value === "boolean" ? (value ? "yes" : "no") : value}`;
  });
  const said = levelWords(s, step).map((p) => sayPhrase(p, names));
  return [...said.slice(0, 1), ...(s.action ? [label(`action.${s.action}`)] : []), ...said.slice(1), ...set]
    .filter((t) => t !== "")
    .join(", ");
}
