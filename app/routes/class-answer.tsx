import { redirect } from "react-router";
import { listOf } from "#core/kit/items.ts";
import { openAnswer, saveAnswer } from "#server/homes/answers.ts";
import { schoolItemsIn } from "#server/kit/items.ts";
import { say } from "#words/say.ts";
import { found, idOf } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { classOf } from "../family-link.server.ts";
import { keepTyped } from "../homes/keep-typed.ts";
import { partOf, takePart } from "../homes/survey.server.ts";
import { SurveyForm } from "../homes/survey-form.tsx";
import { SurveySaid } from "../homes/survey-said.tsx";
import { fieldsOf, searchOf } from "../read.server.ts";
import type { Route } from "./+types/class-answer";

export const meta: Route.MetaFunction = () => [
  { title: "Your home, for games" },
  { name: "robots", content: "noindex" },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const link = await classOf(params.token);
  const answer = await found(openAnswer(link, idOf(params.answer, "answer")));
  return {
    ...answer,
    part: partOf(searchOf(request).get("part")),
    items: await schoolItemsIn(link.schoolId),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const link = await classOf(params.token);
  const id = idOf(params.answer, "answer");
  const before = await found(openAnswer(link, id));
  const done = await takePart(await fieldsOf(request), before.answers, (answers, fields) =>
    saveAnswer(link, id, { given: answers, name: fields.part === "people" ? (fields.name ?? "") : undefined }),
  );
  if ("data" in done || done.quietly) return done;
  throw redirect(`/c/${params.token}/${id}?part=${done.next}`);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);

export default function ClassAnswer({ loaderData: d, actionData, params }: Route.ComponentProps) {
  const to = (path: string) => `/c/${params.token}/${params.answer}?part=${path}`;
  const refused = actionData && "problems" in actionData && !actionData.ok ? actionData : null;
  return (
    <OwnDrawings value={drawingsOf(d.items.own)}>
      <main className="mx-auto w-full max-w-2xl p-4 pb-10">
        <header className="mb-4">
          <p className="text-quiet">{d.school}</p>
          <h1 className="text-3xl">{say("survey.title")}</h1>
          <p>
            {say("survey.optional")} {say("survey.keep")}
          </p>
        </header>
        {d.part === "done" ? (
          <section className="grid gap-4">
            <p className="text-2xl font-bold">{say("survey.thanks")}</p>
            <SurveySaid answers={d.answers} />
            <p>
              <a className="btn" href={to("things")}>
                {say("survey.again")}
              </a>
            </p>
          </section>
        ) : (
          <SurveyForm
            key={d.part}
            part={d.part}
            answers={d.answers}
            familyNote={d.familyNote}
            name={d.name}
            items={listOf(d.items.own, d.items.hidden)}
            to={to}
            keepAs={d.id}
            problems={refused?.problems ?? []}
            typed={refused && "typed" in refused ? (refused.typed as Record<string, string>) : null}
          />
        )}
      </main>
    </OwnDrawings>
  );
}
