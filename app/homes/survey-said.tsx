import type { HomeAnswers } from "#core/records/home.ts";
import { SURVEY_PARTS } from "#core/records/home-fields.ts";
import { enHome } from "#words/en-home.ts";
import { addWords, say } from "#words/say.ts";

addWords(enHome);

/** A short summary of the answers. */
export function SurveySaid({ answers }: { answers: HomeAnswers }) {
  const { space } = answers;
  const lines = [
    answers.kit ? say("survey.kinds", { count: Object.keys(answers.kit).length }) : say("survey.notSaid"),
    space
      ? say("survey.spaceSaid", {
          kind: say(`survey.space.${space.kind}`),
          length: space.length,
          width: space.width,
          floor: say(`floor.${space.floor}`),
        })
      : say("survey.notSaid"),
    answers.players ? String(answers.players) : say("survey.notSaid"),
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-lg">
      {SURVEY_PARTS.map((surveyPart, i) => (
        <div key={surveyPart} className="contents">
          <dt className="text-quiet">{say(`survey.part.${surveyPart}`)}</dt>
          <dd>{lines[i]}</dd>
        </div>
      ))}
    </dl>
  );
}
