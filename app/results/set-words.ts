import { BARE_FIELD, UNIT_FIELD } from "#core/compile/bare.ts";
import { fieldOf } from "#core/contract/range.ts";
import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { PlayScore } from "#core/records/play.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";

/** What a family had set for a go, in the teacher's words: "Frames: 3". */
export function setWords(activity: Activity, score: Pick<PlayScore, "set">): string[] {
  const set = Object.entries(score.set ?? {});
  if (set.length === 0) return [];
  const attempt = attemptWordsForTeacher(activity.aim.action);
  const names = new Map(
    opened(activity)
      .familyKnobs()
      .map((familyKnob) => [fieldOf(familyKnob), label(familyKnob.label, attempt)]),
  );
  return set.map(([field, value]) => {
    if (field === BARE_FIELD) return label("set.bare");
    if (field === UNIT_FIELD) return tell("set.inUnit", { unit: label(`unit.${value}`, attempt) });
    if (field === "laid" || field === "company") return label(`set.${field}`);
    if (field === "hand" || field === "nearer" || field === "posture" || field === "wider" || field === "court")
      return `${label(`set.${field}`)}: ${value}`;
    const text = typeof value === "boolean" ? (value ? "yes" : "no") : String(value);
    return `${names.get(field) ?? field}: ${text}`;
  });
}
