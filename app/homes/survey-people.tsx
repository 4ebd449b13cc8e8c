import { MAX_PLAYERS } from "#core/contract/contract.ts";
import { LONGEST_SUPPORT } from "#core/records/home-limits.ts";
import { say } from "#words/say.ts";
import { pick } from "./one-of.tsx";
import type { PartProps } from "./survey-part.ts";

export function People({ answers, familyNote, name, typed }: PartProps) {
  const is = (field: string, was: boolean) => (typed ? typed[field] === "yes" : was);
  return (
    <div className="grid gap-5">
      {name !== undefined && (
        <label className="field">
          <span className="text-lg font-bold">{say("survey.whose")}</span>
          <input name="name" maxLength={30} defaultValue={typed?.name ?? name} autoComplete="off" />
          <span className="hint">{say("survey.name")}</span>
        </label>
      )}
      <fieldset>
        <legend className="mb-1 text-2xl font-bold font-head">{say("survey.people")}</legend>
        <p className="mb-2 text-quiet">{say("survey.peopleHint")}</p>
        <div className="grid grid-cols-6 gap-2">
          {Array.from({ length: MAX_PLAYERS }, (_, i) => i + 1).map((n) => (
            <label key={n} className={`${pick} text-2xl`}>
              <input
                type="radio"
                name="players"
                value={n}
                className="sr-only"
                defaultChecked={(typed?.players ?? String(answers.players ?? "")) === String(n)}
              />
              {n}
            </label>
          ))}
        </div>
      </fieldset>
      <fieldset className="grid gap-1">
        <legend className="mb-1 text-lg font-bold">{say("survey.know")}</legend>
        <label className="flex min-h-12 items-center gap-3 text-lg">
          <input type="checkbox" name="quiet" value="yes" defaultChecked={is("quiet", answers.quiet)} />
          {say("survey.quiet")}
        </label>
        <label className="flex min-h-12 items-center gap-3 text-lg">
          <input type="checkbox" name="noBalls" value="yes" defaultChecked={is("noBalls", answers.noBallsIndoors)} />
          {say("survey.noBalls")}
        </label>
        {familyNote !== undefined && (
          <label className="field">
            <span className="text-lg">{say("survey.support")}</span>
            <textarea
              name="familyNote"
              rows={2}
              maxLength={LONGEST_SUPPORT}
              defaultValue={typed?.familyNote ?? familyNote}
            />
            <span className="hint">{say("survey.supportHint")}</span>
          </label>
        )}
      </fieldset>
    </div>
  );
}
