import { data, redirect } from "react-router";
import { paces } from "#core/measures/step.ts";
import { saveStep, stepOf } from "#server/homes/step.ts";
import { NotAllowed } from "#server/problem.ts";
import { found, idOf, missing } from "../answer.server.ts";
import { Island } from "../family/island.tsx";
import { familyOf } from "../family-link.server.ts";
import { familyScripts } from "../family-scripts.server.ts";
import { fieldsOf, searchOf } from "../read.server.ts";
import { StepPage, type StepPageData, UNITS, type Unit } from "../step/step-page.tsx";
import type { Route } from "./+types/family-step";

export const meta: Route.MetaFunction = () => [{ title: "Measure my step" }, { name: "robots", content: "noindex" }];
export const handle = { ownScript: true };

export async function loader({ request, params }: Route.LoaderArgs) {
  const link = await familyOf(params.token);
  const step = await found(stepOf(link));
  const search = searchOf(request);
  return {
    name: step.name,
    step: step.step,
    guess: paces(step.age).step,
    card: search.get("card"),
    done: search.has("done"),
    scripts: familyScripts.step,
  };
}

const number = (value: string | undefined) => {
  const text = String(value ?? "").trim();
  return text === "" ? Number.NaN : Number(text.replace(",", "."));
};

export async function action({ request, params }: Route.ActionArgs) {
  const link = await familyOf(params.token);
  const typed = await fieldsOf(request);
  const each = Object.hasOwn(UNITS, typed.unit ?? "") ? UNITS[typed.unit as Unit] : 1;
  try {
    await saveStep(link, { steps: number(typed.steps), metres: number(typed.length) * each });
  } catch (error) {
    if (!(error instanceof NotAllowed)) throw missing(error);
    return data({ ok: false as const, problems: error.problems, typed }, { status: 422 });
  }
  throw redirect(`/f/${params.token}/step?done${typed.card ? `&card=${idOf(typed.card, "card")}` : ""}`);
}

export default function FamilyStep({ loaderData: { scripts, ...shown }, actionData, params }: Route.ComponentProps) {
  const page: StepPageData = {
    ...shown,
    token: params.token,
    problems: actionData?.problems ?? [],
    typed: actionData?.typed ?? null,
  };
  return (
    <Island scripts={scripts} data={page}>
      <StepPage {...page} />
    </Island>
  );
}
