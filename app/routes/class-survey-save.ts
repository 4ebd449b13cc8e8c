import { idOf } from "../answer.server.ts";
import { classOf } from "../family-link.server.ts";
import { savedPart, takeForClass } from "../homes/survey.server.ts";
import { fieldsOf } from "../read.server.ts";
import type { Route } from "./+types/class-survey-save";

/** Saves a part of the survey that was opened through a class's link. The answer is JSON. */
export async function action({ request, params }: Route.ActionArgs) {
  const link = await classOf(params.token);
  return savedPart(await takeForClass(link, idOf(params.answer, "answer"), await fieldsOf(request)));
}
