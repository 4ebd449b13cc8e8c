import { redirect } from "react-router";
import { listOf } from "#core/kit/items.ts";
import { NOTHING_SAID } from "#core/records/home.ts";
import { addFamilyHome, answerForHome, familyHomes } from "#server/homes/family-homes.ts";
import { INVITATION_DAYS, inviteToHome, joinHome } from "#server/homes/invitations.ts";
import { schoolItemsIn } from "#server/kit/items.ts";
import { say } from "#words/say.ts";
import { answered, found, idOf } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { familyOf } from "../family-link.server.ts";
import { keepTyped } from "../homes/keep-typed.ts";
import { partOf, takePart } from "../homes/survey.server.ts";
import { SurveyForm } from "../homes/survey-form.tsx";
import { SurveySaid } from "../homes/survey-said.tsx";
import { fieldsOf, searchOf } from "../read.server.ts";
import { problemText } from "../ui/problem-text.ts";
import type { Route } from "./+types/family-home";

export const meta: Route.MetaFunction = () => [
  { title: "Your home, for games" },
  { name: "robots", content: "noindex" },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const link = await familyOf(params.token);
  const told = await found(familyHomes(link));
  const search = searchOf(request);
  // Nothing is made by looking: a child without a home gets its first when something is said.
  const home = told.homes.find((eachHome) => eachHome.id === search.get("home")) ??
    told.homes[0] ?? { ...NOTHING_SAID, id: "", label: "" };
  return {
    another: crypto.randomUUID(),
    name: told.name,
    school: told.school,
    familyNote: told.familyNote,
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
    homes: told.homes.map(({ id, label }) => ({ id, label })),
    items: await schoolItemsIn(link.schoolId),
    joined: search.has("joined"),
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
  const told = await found(familyHomes(link));
  const home = told.homes.find((eachHome) => eachHome.id === searchOf(request).get("home")) ?? told.homes[0] ?? null;
  if (fields.intent === "invite")
    return answered(async () => ({ code: await inviteToHome(link, home?.id ?? ""), days: INVITATION_DAYS }));
  let id = home?.id ?? "";
  const done = await takePart(fields, home ?? NOTHING_SAID, async (answers) => {
    id = await answerForHome(link, home?.id ?? null, answers);
  });
  if ("data" in done || done.quietly) return done;
  throw redirect(`/f/${params.token}/home?home=${id}&part=${done.next}`);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);

export default function FamilyHome({ loaderData, actionData, params }: Route.ComponentProps) {
  const { name, school, familyNote, part, home, homes, items, another, joined } = loaderData;
  const to = (path: string) => `/f/${params.token}/home?home=${home.id}&part=${path}`;
  const refused = actionData && "problems" in actionData && !actionData.ok ? actionData : null;
  return (
    <OwnDrawings value={drawingsOf(items.own)}>
      <main className="mx-auto w-full max-w-2xl p-4 pb-10">
        <header className="mb-4">
          <p className="text-quiet">{school}</p>
          <h1 className="text-3xl">{say("survey.title")}</h1>
          <p>
            {say("survey.optional")} {say("survey.later")}
          </p>
        </header>
        {homes.length > 1 && (
          <nav aria-label={say("survey.which")} className="mb-4">
            <p className="mb-1 font-semibold">{say("survey.which")}</p>
            <ul className="grid grid-cols-2 gap-2">
              {homes.map((eachHome) => (
                <li key={eachHome.id}>
                  <a
                    href={`/f/${params.token}/home?home=${eachHome.id}&part=things`}
                    aria-current={eachHome.id === home.id ? "true" : undefined}
                    className={`grid min-h-12 place-items-center rounded-md border-2 p-2 text-center font-semibold no-underline ${eachHome.id === home.id ? "border-ink bg-mustard text-night" : "border-hair"}`}
                  >
                    {eachHome.label}
                  </a>
                </li>
              ))}
            </ul>
          </nav>
        )}
        {part === "done" ? (
          <section className="grid gap-4">
            <p className="text-2xl font-bold">{say("survey.thanks")}</p>
            <SurveySaid answers={home} />
            <p className="flex flex-wrap gap-2">
              <a className="btn" href={to("things")}>
                {say("survey.again")}
              </a>
              <a className="btn btn-main" href={`/f/${params.token}`}>
                {say("family.title", { name: name.split(" ")[0]! })}
              </a>
            </p>
            <form method="post">
              <input type="hidden" name="order" value={another} />
              <button type="submit" name="intent" value="another" className="btn btn-quiet">
                {say("survey.another")}
              </button>
            </form>
            {home.id !== "" && (
              <form method="post" action={to("done")} className="grid gap-2 border-t-2 border-hair pt-4">
                <p>{say("survey.inviteText")}</p>
                {actionData && "code" in actionData && (
                  <p role="status" className="note note-good text-lg font-bold">
                    {say("survey.code", { code: actionData.code, days: actionData.days })}
                  </p>
                )}
                <button type="submit" name="intent" value="invite" className="btn btn-quiet justify-self-start">
                  {say("survey.invite")}
                </button>
              </form>
            )}
            <AnotherHome to={to} joined={joined} refused={refused} />
          </section>
        ) : (
          <SurveyForm
            key={`${home.id} ${part}`}
            part={part}
            answers={home}
            familyNote={familyNote}
            items={listOf(items.own, items.hidden)}
            to={to}
            keepAs={home.id || `first-${params.token.slice(0, 22)}`}
            problems={refused?.problems ?? []}
            typed={refused && "typed" in refused ? (refused.typed as Record<string, string>) : null}
          />
        )}
      </main>
    </OwnDrawings>
  );
}

/** Invites the child's other home. */
const AnotherHome = ({
  to,
  joined,
  refused,
}: {
  to: (path: string) => string;
  joined: Route.ComponentProps["loaderData"]["joined"];
  refused: { ok: false; problems: { field: string; message: string }[] } | null;
}) => (
  <form method="post" action={to("done")} className="grid gap-2 border-t-2 border-hair pt-4">
    {joined && (
      <p role="status" className="note note-good">
        {say("survey.joined")}
      </p>
    )}
    {refused?.problems.map((problem) => (
      <p key={problem.message} role="alert" className="problem">
        {problemText(problem.message)}
      </p>
    ))}
    <label className="field">
      <span>{say("survey.joinText")}</span>
      <input
        name="code"
        required
        autoComplete="off"
        autoCapitalize="characters"
        maxLength={20}
        aria-label={say("survey.codeField")}
      />
    </label>
    <button type="submit" name="intent" value="join" className="btn btn-quiet justify-self-start">
      {say("survey.join")}
    </button>
  </form>
);
