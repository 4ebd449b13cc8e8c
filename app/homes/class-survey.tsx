import type { Problem } from "#core/formats/activity.ts";
import type { Item } from "#core/items/item.ts";
import { listOf } from "#core/kit/items.ts";
import type { HomeAnswers } from "#core/records/home.ts";
import type { SurveyPart } from "#core/records/home-fields.ts";
import { say } from "#words/say.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { SurveyForm } from "./survey-form.tsx";
import { SurveySaid } from "./survey-said.tsx";
import { usePosting } from "./use-posting.ts";

export interface ClassSurveyData {
  token: string;
  /** The id of the answer, which is also its key. */
  id: string;
  school: string;
  /** What the family calls the child. */
  name: string;
  familyNote: string;
  part: SurveyPart | "done";
  answers: HomeAnswers;
  items: { own: readonly Item[]; hidden: readonly string[] };
  problems: readonly Problem[];
  typed: Readonly<Record<string, string>> | null;
}

/** The survey opened through a class's link, before it is known which child's home it is. */
export function ClassSurvey({ data: d }: { data: ClassSurveyData }) {
  const to = (path: string) => `/c/${d.token}/${d.id}?part=${path}`;
  const saving = usePosting(`/c/${d.token}/${d.id}/save`);
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
            saving={saving}
            problems={d.problems}
            typed={d.typed}
          />
        )}
      </main>
    </OwnDrawings>
  );
}
