import { redirect } from "react-router";
import { NOTHING_SAID } from "#core/records/home.ts";
import { addFamilyHome, familyHomes } from "#server/homes/family-homes.ts";
import { INVITATION_DAYS, inviteToHome, joinHome } from "#server/homes/invitations.ts";
import { schoolItemsIn } from "#server/kit/items.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { Island } from "../family/island.tsx";
import { familyOf } from "../family-link.server.ts";
import { familyScripts } from "../family-scripts.server.ts";
import { partOf, refusedPart, takeForHome } from "../homes/survey.server.ts";
import { SurveyPage, type SurveyPageData } from "../homes/survey-page.tsx";
import { fieldsOf, searchOf } from "../read.server.ts";
import type { Route } from "./+types/family-home";

export const meta: Route.MetaFunction = () => [
  { title: "Your home, for games" },
  { name: "robots", content: "noindex" },
];
export const handle = { ownScript: true };

export async function loader({ request, params }: Route.LoaderArgs) {
  const link = await familyOf(params.token);
  const answers = await found(familyHomes(link));
  const search = searchOf(request);
  // Looking creates nothing: a child without a home gets the first one when something is saved.
  const home = answers.homes.find((eachHome) => eachHome.id === search.get("home")) ??
    answers.homes[0] ?? { ...NOTHING_SAID, id: "", label: "" };
  return {
    another: crypto.randomUUID(),
    name: answers.name,
    school: answers.school,
    familyNote: answers.familyNote,
    part: partOf(search.get("part")),
    home: (({ id, label, kit, space, players, quiet, noBallsIndoors }) => ({
      id,
      label,
      kit,
      space,
      players,
      quiet,
      noBallsIndoors,
    }))(home),
    homes: answers.homes.map(({ id, label }) => ({ id, label })),
    items: await schoolItemsIn(link.schoolId),
    joined: search.has("joined"),
    scripts: familyScripts.survey,
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const link = await familyOf(params.token);
  const fields = await fieldsOf(request);
  if (fields.intent === "another")
    return answered(async () => {
      throw redirect(
        `/f/${params.token}/home?home=${await addFamilyHome(link, idOf(fields.order, "home"))}&part=things`,
      );
    });
  if (fields.intent === "join")
    return answered(async () => {
      await joinHome(link, fields.code ?? "");
      throw redirect(`/f/${params.token}/home?part=done&joined=yes`);
    });
  const asked = searchOf(request).get("home");
  if (fields.intent === "invite")
    return answered(async () => {
      const { homes } = await found(familyHomes(link));
      const home = homes.find((eachHome) => eachHome.id === asked) ?? homes[0];
      return { code: await inviteToHome(link, home?.id ?? ""), days: INVITATION_DAYS };
    });
  const { id, taken } = await takeForHome(link, asked, fields);
  if (!taken.ok) return refusedPart(taken);
  throw redirect(`/f/${params.token}/home?home=${id}&part=${taken.next}`);
}

/** What was typed and not accepted. */
const typedIn = (answer: object | undefined) =>
  answer && "typed" in answer ? (answer.typed as Readonly<Record<string, string>>) : null;

export default function FamilyHome({ loaderData, actionData, params }: Route.ComponentProps) {
  const { scripts, ...shown } = loaderData;
  const page: SurveyPageData = {
    page: "home",
    data: {
      ...shown,
      token: params.token,
      invitation: actionData && "code" in actionData ? actionData : null,
      problems: actionData && "problems" in actionData ? actionData.problems : [],
      typed: typedIn(actionData),
    },
  };
  return (
    <Island scripts={scripts} data={page}>
      <SurveyPage {...page} />
    </Island>
  );
}
