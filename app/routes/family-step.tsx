import { data, Form, redirect } from "react-router";
import { FOOT } from "#core/measures/count.ts";
import { paces } from "#core/measures/step.ts";
import { saveStep, stepOf } from "#server/homes/step.ts";
import { NotAllowed } from "#server/problem.ts";
import { enHome } from "#words/en-home.ts";
import { addWords, say } from "#words/say.ts";
import { found, idOf, missing } from "../answer.server.ts";
import { RULER_CM } from "../family/screens/sheet.tsx";
import { familyOf } from "../family-link.server.ts";
import { keepTyped } from "../homes/keep-typed.ts";
import { fieldsOf, searchOf } from "../read.server.ts";
import { problemText } from "../ui/problem-text.ts";
import type { Route } from "./+types/family-step";

addWords(enHome);

/** Lengths that a home can measure in, metres each. */
const UNITS = { m: 1, ruler: RULER_CM / 100, foot: FOOT } as const;
type Unit = keyof typeof UNITS;

export const meta: Route.MetaFunction = () => [{ title: "Measure my step" }, { name: "robots", content: "noindex" }];

export async function loader({ request, params }: Route.LoaderArgs) {
  const link = await familyOf(params.token);
  const told = await found(stepOf(link));
  const search = searchOf(request);
  return {
    name: told.name,
    step: told.step,
    guess: paces(told.age).step,
    card: search.get("card"),
    done: search.has("done"),
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

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);

export default function FamilyStep({ loaderData: d, actionData, params }: Route.ComponentProps) {
  const refused = actionData && "problems" in actionData ? actionData : null;
  const typed = refused && "typed" in refused ? refused.typed : null;
  const back = d.card ? `/f/${params.token}/${d.card}?screen=setup` : `/f/${params.token}`;
  return (
    <main className="mx-auto grid w-full max-w-lg gap-4 p-4 pb-10 text-lg">
      <h1 className="text-3xl">{say("step.title")}</h1>
      {d.done && d.step !== null && (
        <p role="status" className="note note-good">
          {say("step.done", { cm: Math.round(d.step * 100) })}
        </p>
      )}
      <ol className="grid list-decimal gap-1 pl-6">
        <li>{say("step.line")}</li>
        <li>{say("step.walk")}</li>
        <li>{say("step.measure")}</li>
      </ol>
      {refused && "unsent" in refused && <p className="note problem">{say("survey.unsaved")}</p>}
      {refused && refused.problems.length > 0 && (
        <ul role="alert" className="note problem">
          {refused.problems.map((problem) => (
            <li key={problem.message}>{problemText(problem.message)}</li>
          ))}
        </ul>
      )}
      <Form method="post" className="grid gap-4">
        <input type="hidden" name="card" value={d.card ?? ""} />
        <label className="field">
          <span className="font-bold">{say("step.steps")}</span>
          <input name="steps" inputMode="numeric" className="text-xl" defaultValue={typed?.steps ?? "10"} />
        </label>
        <div className="grid grid-cols-[1fr_auto] items-end gap-3">
          <label className="field min-w-0">
            <span className="font-bold">{say("step.length")}</span>
            <input name="length" inputMode="decimal" className="w-full text-xl" defaultValue={typed?.length ?? ""} />
          </label>
          <label className="field">
            <span className="sr-only">{say("step.unit")}</span>
            <select name="unit" className="min-h-11 text-xl" defaultValue={typed?.unit ?? "m"}>
              {(Object.keys(UNITS) as Unit[]).map((key) => (
                <option key={key} value={key}>
                  {say(`step.unit.${key}`)}
                </option>
              ))}
            </select>
          </label>
        </div>
        <p className="text-quiet">
          {d.step === null
            ? say("step.guess", { cm: Math.round(d.guess * 100) })
            : say("step.now", { cm: Math.round(d.step * 100) })}
        </p>
        <button type="submit" className="btn btn-main min-h-14 text-xl">
          {say("step.save")}
        </button>
      </Form>
      <p>
        <a href={back} className="underline">
          {say(d.card ? "step.back" : "family.allGames")}
        </a>
      </p>
    </main>
  );
}
