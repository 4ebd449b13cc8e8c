import { redirect } from "react-router";
import { beginAnswer, schoolNameOf } from "#server/homes/answers.ts";
import { enHome } from "#words/en-home.ts";
import { addWords, say } from "#words/say.ts";
import { answered } from "../answer.server.ts";
import { classOf } from "../family-link.server.ts";
import type { Route } from "./+types/class-survey";

addWords(enHome);

export const meta: Route.MetaFunction = () => [
  { title: "Your home, for games" },
  { name: "robots", content: "noindex" },
];

export async function loader({ params }: Route.LoaderArgs) {
  return { school: await schoolNameOf((await classOf(params.token)).schoolId) };
}

/** Begins an answer; its address is its key, so that it can be gone on with and changed later. */
export async function action({ params }: Route.ActionArgs) {
  const link = await classOf(params.token);
  return answered(async () => {
    throw redirect(`/c/${params.token}/${await beginAnswer(link)}?part=people`);
  });
}

export default function ClassSurvey({ loaderData, actionData }: Route.ComponentProps) {
  const problems = actionData && "problems" in actionData ? (actionData.problems as { message: string }[]) : [];
  return (
    <main className="on-court min-h-dvh bg-court text-chalk">
      <div className="mx-auto grid max-w-lg gap-4 p-6 text-lg">
        <p className="text-chalk/80">{loaderData.school}</p>
        <h1 className="text-3xl">{say("survey.title")}</h1>
        <p>{say("survey.hello")}</p>
        <p>{say("survey.optional")}</p>
        {problems.map((p) => (
          <p key={p.message} role="alert" className="problem">
            {p.message}
          </p>
        ))}
        <form method="post">
          <button type="submit" className="btn btn-main min-h-16 w-full text-2xl">
            {say("survey.begin")}
          </button>
        </form>
      </div>
    </main>
  );
}
