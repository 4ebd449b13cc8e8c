import { createCookie, redirect } from "react-router";
import { z } from "zod";
import { answersThere, beginAnswer, schoolNameOf } from "#server/homes/answers.ts";
import type { OpenClassLink } from "#server/links/open-link.ts";
import { NotAllowed } from "#server/problem.ts";
import { currentContext } from "#server/web/request-context.ts";
import { enHome } from "#words/en-home.ts";
import { addWords, say } from "#words/say.ts";
import { answered } from "../answer.server.ts";
import { classOf } from "../family-link.server.ts";
import { fieldsOf } from "../read.server.ts";
import { Button } from "../ui/button.tsx";
import { problemText } from "../ui/problem-text.ts";
import type { Route } from "./+types/class-survey";

addWords(enHome);

export const meta: Route.MetaFunction = () => [
  { title: "Your home, for games" },
  { name: "robots", content: "noindex" },
];

/** A page with two buttons needs no script. */
export const handle = { ownScript: true };

/** The most children of a class for whom one device can answer. */
const MAX_FROM_A_DEVICE = 6;
/** For how many days a device can continue an answer. */
const KEPT_DAYS = 60;
/** The answers that a device has begun. Their ids are keys, so scripts cannot read this cookie. */
const begun = createCookie("yard-answers", {
  httpOnly: true,
  sameSite: "lax",
  path: "/c",
  maxAge: KEPT_DAYS * 86_400,
});
async function begunHere(request: Request, link: OpenClassLink): Promise<string[]> {
  const value: unknown = await begun.parse(request.headers.get("Cookie"));
  const ids = Array.isArray(value)
    ? value.filter((eachValue): eachValue is string => typeof eachValue === "string")
    : [];
  return answersThere(link, ids.filter((id) => z.uuid().safeParse(id).success).slice(-MAX_FROM_A_DEVICE));
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const link = await classOf(params.token);
  return { school: await schoolNameOf(link.schoolId), begun: (await begunHere(request, link)).length };
}

/**
 * Begins an answer, or continues the one that this device began last. Its address is its key, so that it can be
 * changed later.
 */
export async function action({ request, params }: Route.ActionArgs) {
  const link = await classOf(params.token);
  const { intent } = await fieldsOf(request);
  return answered(async () => {
    const before = await begunHere(request, link);
    const last = before[before.length - 1];
    if (last && intent !== "another") throw redirect(`/c/${params.token}/${last}?part=people`);
    if (before.length >= MAX_FROM_A_DEVICE)
      throw NotAllowed.of(
        "answer",
        `This device has answered for ${MAX_FROM_A_DEVICE} children. Change one of those answers instead.`,
      );
    const id = await beginAnswer(link, currentContext()?.caller ?? "unknown");
    throw redirect(`/c/${params.token}/${id}?part=people`, {
      headers: { "Set-Cookie": await begun.serialize([...before, id]) },
    });
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
        {problems.map((problem) => (
          <p key={problem.message} role="alert" className="problem">
            {problemText(problem.message)}
          </p>
        ))}
        <form method="post" className="grid gap-3">
          <Button type="submit" look="main" className="min-h-16 w-full text-2xl">
            {say(loaderData.begun > 0 ? "survey.goOn" : "survey.begin")}
          </Button>
          {loaderData.begun > 0 && (
            <Button
              type="submit"
              name="intent"
              value="another"
              className="min-h-14 w-full border-chalk text-lg text-chalk"
            >
              {say("survey.anotherChild")}
            </Button>
          )}
        </form>
      </div>
    </main>
  );
}
