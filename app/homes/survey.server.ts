import { data } from "react-router";
import { type HomeSpace, NOTHING_SAID } from "#core/records/home.ts";
import { answersFrom, SURVEY_PARTS, type SurveyPart } from "#core/records/home-fields.ts";
import { openAnswer, saveAnswer } from "#server/homes/answers.ts";
import { answerForHome, familyHomes } from "#server/homes/family-homes.ts";
import type { OpenClassLink, OpenLink } from "#server/links/open-link.ts";
import { NotAllowed } from "#server/problem.ts";
import { found } from "../answer.server.ts";

export const partOf = (text: unknown): SurveyPart | "done" =>
  text === "done" ? "done" : (SURVEY_PARTS.find((surveyPart) => surveyPart === text) ?? "things");

/** Saves a posted part of the survey. A refusal comes back with everything that was typed. */
export async function takePart(
  fields: Record<string, string>,
  before: { space: HomeSpace | null },
  keep: (answers: Record<string, unknown>, fields: Record<string, string>) => Promise<void>,
) {
  const part = partOf(fields.part);
  if (part === "done") return { ok: true as const, problems: [], typed: null, next: part };
  try {
    await keep(answersFrom(part, fields, before), fields);
  } catch (error) {
    if (!(error instanceof NotAllowed)) throw error;
    return { ok: false as const, problems: error.problems, typed: fields };
  }
  const next = SURVEY_PARTS[SURVEY_PARTS.indexOf(part) + 1] ?? ("done" as const);
  return { ok: true as const, problems: [], typed: null, next };
}
export type TakenPart = Awaited<ReturnType<typeof takePart>>;

/** Answers a form that saves itself: whether the part was saved, and if not, why. */
export const savedPart = ({ ok, problems }: TakenPart): Response =>
  Response.json({ ok, problems }, { status: ok ? 200 : 422 });
/** Answers a form that was sent with its button and not taken. It is shown again with everything typed. */
export const refusedPart = <T>(taken: T) => data(taken, { status: 422 });

/** Saves a part for one home of a family, or for the first home, which is made if the child has none. Returns the home's id. */
export async function takeForHome(link: OpenLink, homeId: string | null, fields: Record<string, string>) {
  const { homes } = await found(familyHomes(link));
  const home = homes.find((each) => each.id === homeId) ?? homes[0] ?? null;
  let id = home?.id ?? "";
  const taken = await takePart(fields, home ?? NOTHING_SAID, async (answers) => {
    id = await answerForHome(link, home?.id ?? null, answers);
  });
  return { id, taken };
}

/** Saves a part of an answer that was begun through a class's link. */
export async function takeForClass(link: OpenClassLink, answerId: string, fields: Record<string, string>) {
  const before = await found(openAnswer(link, answerId));
  return takePart(fields, before.answers, (answers) =>
    saveAnswer(link, answerId, { given: answers, name: fields.part === "people" ? (fields.name ?? "") : undefined }),
  );
}
