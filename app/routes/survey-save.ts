import { familyOf } from "../family-link.server.ts";
import { savedPart, takeForHome } from "../homes/survey.server.ts";
import { fieldsOf, searchOf } from "../read.server.ts";
import type { Route } from "./+types/survey-save";

/** Saves a part of a family's survey while it is filled in. The answer is JSON. */
export async function action({ request, params }: Route.ActionArgs) {
  const link = await familyOf(params.token);
  const { taken } = await takeForHome(link, searchOf(request).get("home"), await fieldsOf(request));
  return savedPart(taken);
}
