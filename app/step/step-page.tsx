import type { Problem } from "#core/formats/activity.ts";
import { FOOT } from "#core/measures/count.ts";
import { enHome } from "#words/en-home.ts";
import { addWords, say } from "#words/say.ts";
import { RULER_CM } from "../family/screens/ruler.ts";
import { problemText } from "../ui/problem-text.ts";
import { useSendForm } from "../ui/use-send-form.ts";

addWords(enHome);

/** The units that a home can measure in, metres each. */
export const UNITS = { m: 1, ruler: RULER_CM / 100, foot: FOOT } as const;
export type Unit = keyof typeof UNITS;

export interface StepPageData {
  token: string;
  name: string;
  /** In metres, as measured or as expected at the child's age. */
  step: number | null;
  guess: number;
  /** The card to go back to. */
  card: string | null;
  done: boolean;
  problems: readonly Problem[];
  typed: Readonly<Record<string, string>> | null;
}

/** Measures a child's step with whatever the home has: a tape measure, the ruler on the sheet, or a foot. */
export function StepPage({ typed, problems, ...d }: StepPageData) {
  const { unsent, send } = useSendForm();
  const back = d.card ? `/f/${d.token}/${d.card}?screen=setup` : `/f/${d.token}`;
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
      {unsent && (
        <p role="alert" className="note problem">
          {say("survey.unsaved")}
        </p>
      )}
      {problems.length > 0 && (
        <ul role="alert" className="note problem">
          {problems.map((problem) => (
            <li key={problem.message}>{problemText(problem.message)}</li>
          ))}
        </ul>
      )}
      <form method="post" onSubmit={send} className="grid gap-4">
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
      </form>
      <p>
        <a href={back} className="underline">
          {say(d.card ? "step.back" : "family.allGames")}
        </a>
      </p>
    </main>
  );
}
