import { data } from "react-router";
import type { HomeSpace } from "#core/records/home.ts";
import { answersFrom, SURVEY_PARTS, type SurveyPart } from "#core/records/home-fields.ts";
import { NotAllowed } from "#server/problem.ts";

export const partOf = (text: unknown): SurveyPart | "done" =>
  text === "done" ? "done" : (SURVEY_PARTS.find((surveyPart) => surveyPart === text) ?? "things");

/** Reads a posted part of the survey and keeps it; what is refused comes back with everything typed. */
export async function takePart(
  fields: Record<string, string>,
  before: { space: HomeSpace | null },
  keep: (answers: Record<string, unknown>, fields: Record<string, string>) => Promise<void>,
) {
  const part = partOf(fields.part);
  if (part === "done") return { ok: true as const, problems: [], typed: null, next: part, quietly: false };
  try {
    await keep(answersFrom(part, fields, before), fields);
  } catch (error) {
    if (!(error instanceof NotAllowed)) throw error;
    return data(
      { ok: false as const, problems: error.problems, typed: fields, next: part, quietly: true },
      { status: 422 },
    );
  }
  const next = SURVEY_PARTS[SURVEY_PARTS.indexOf(part) + 1] ?? ("done" as const);
  return { ok: true as const, problems: [], typed: null, next, quietly: fields.quietly === "yes" };
}
