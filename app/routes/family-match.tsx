import { redirect } from "react-router";
import { familyMatch, matchYes, sayNo, sayYes } from "#server/assignments/two-homes.ts";
import { NotAllowed } from "#server/problem.ts";
import { say } from "#words/say.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { Island } from "../family/island.tsx";
import { familyOf } from "../family-link.server.ts";
import { familyScripts } from "../family-scripts.server.ts";
import { MatchPage, type MatchPageData } from "../match/match-page.tsx";
import { fieldsOf } from "../read.server.ts";
import type { Route } from "./+types/family-match";

export const meta: Route.MetaFunction = () => [{ title: say("match.title") }, { name: "robots", content: "noindex" }];
export const handle = { ownScript: true };

export async function loader({ params }: Route.LoaderArgs) {
  const match = await found(familyMatch(await familyOf(params.token), idOf(params.card, "card")));
  return { match, scripts: familyScripts.match };
}

export async function action({ request, params }: Route.ActionArgs) {
  const link = await familyOf(params.token);
  const cardId = idOf(params.card, "card");
  const { intent, ...fields } = await fieldsOf(request);
  return answered(async () => {
    if (intent === "no") await sayNo(link, cardId);
    else {
      const read = matchYes.safeParse({ word: fields.word ?? "", yes: fields.yes ?? "" });
      if (!read.success) {
        const issue = read.error.issues[0]!;
        throw NotAllowed.of(String(issue.path[0]), issue.message);
      }
      await sayYes(link, cardId, read.data.word);
    }
    throw redirect(`/f/${params.token}/${cardId}/match`);
  });
}

export default function FamilyMatch({ loaderData: { match, scripts }, actionData, params }: Route.ComponentProps) {
  const page: MatchPageData = {
    match,
    token: params.token,
    card: params.card,
    problems: actionData && "problems" in actionData ? actionData.problems : [],
  };
  return (
    <Island scripts={scripts} data={page}>
      <MatchPage {...page} />
    </Island>
  );
}
