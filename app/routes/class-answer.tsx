import { redirect } from "react-router";
import { openAnswer } from "#server/homes/answers.ts";
import { schoolItemsIn } from "#server/kit/items.ts";
import { found, idOf } from "../answer.server.ts";
import { Island } from "../family/island.tsx";
import { classOf } from "../family-link.server.ts";
import { familyScripts } from "../family-scripts.server.ts";
import { partOf, refusedPart, takeForClass } from "../homes/survey.server.ts";
import { SurveyPage, type SurveyPageData } from "../homes/survey-page.tsx";
import { fieldsOf, searchOf } from "../read.server.ts";
import type { Route } from "./+types/class-answer";

export const meta: Route.MetaFunction = () => [
  { title: "Your home, for games" },
  { name: "robots", content: "noindex" },
];
export const handle = { ownScript: true };

export async function loader({ request, params }: Route.LoaderArgs) {
  const link = await classOf(params.token);
  const answer = await found(openAnswer(link, idOf(params.answer, "answer")));
  return {
    ...answer,
    part: partOf(searchOf(request).get("part")),
    items: await schoolItemsIn(link.schoolId),
    scripts: familyScripts.survey,
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const link = await classOf(params.token);
  const id = idOf(params.answer, "answer");
  const taken = await takeForClass(link, id, await fieldsOf(request));
  if (!taken.ok) return refusedPart(taken);
  throw redirect(`/c/${params.token}/${id}?part=${taken.next}`);
}

export default function ClassAnswer({ loaderData, actionData, params }: Route.ComponentProps) {
  const { scripts, ...shown } = loaderData;
  const page: SurveyPageData = {
    page: "class",
    data: { ...shown, token: params.token, problems: actionData?.problems ?? [], typed: actionData?.typed ?? null },
  };
  return (
    <Island scripts={scripts} data={page}>
      <SurveyPage {...page} />
    </Island>
  );
}
