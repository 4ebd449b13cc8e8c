import type { Problem } from "#core/formats/activity.ts";
import type { Item } from "#core/items/item.ts";
import { listOf } from "#core/kit/items.ts";
import type { HomeAnswers } from "#core/records/home.ts";
import type { SurveyPart } from "#core/records/home-fields.ts";
import { say } from "#words/say.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import { problemText } from "../ui/problem-text.ts";
import { SurveyForm } from "./survey-form.tsx";
import { SurveySaid } from "./survey-said.tsx";
import { usePosting } from "./use-posting.ts";

export interface HomeSurveyData {
  token: string;
  /** The child's name. */
  name: string;
  school: string;
  familyNote: string;
  part: SurveyPart | "done";
  home: HomeAnswers & { id: string; label: string };
  homes: readonly { id: string; label: string }[];
  items: { own: readonly Item[]; hidden: readonly string[] };
  /** A key that makes sure that a home is added only once, however often the button is pressed. */
  another: string;
  /** True if the child has just joined this home. */
  joined: boolean;
  /** The code that lets another child join this home. Null until somebody asks for it. */
  invitation: { code: string; days: number } | null;
  problems: readonly Problem[];
  typed: Readonly<Record<string, string>> | null;
}

/** The survey of a family's homes: one part after the other, and at the end what else can be done. */
export function HomeSurvey({ data }: { data: HomeSurveyData }) {
  const { token, name, school, familyNote, part, home, homes, items, another, joined, invitation, problems, typed } =
    data;
  const to = (path: string) => `/f/${token}/home?home=${home.id}&part=${path}`;
  const saving = usePosting(`/f/${token}/home/save?home=${home.id}`);
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
                    href={`/f/${token}/home?home=${eachHome.id}&part=things`}
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
              <a className="btn btn-main" href={`/f/${token}`}>
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
                {invitation && (
                  <p role="status" className="note note-good text-lg font-bold">
                    {say("survey.code", { code: invitation.code, days: invitation.days })}
                  </p>
                )}
                <button type="submit" name="intent" value="invite" className="btn btn-quiet justify-self-start">
                  {say("survey.invite")}
                </button>
              </form>
            )}
            <AnotherHome to={to} joined={joined} problems={problems} />
          </section>
        ) : (
          <SurveyForm
            key={`${home.id} ${part}`}
            part={part}
            answers={home}
            familyNote={familyNote}
            items={listOf(items.own, items.hidden)}
            to={to}
            keepAs={home.id || `first-${token.slice(0, 22)}`}
            saving={saving}
            problems={problems}
            typed={typed}
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
  problems,
}: Pick<HomeSurveyData, "joined" | "problems"> & { to: (path: string) => string }) => (
  <form method="post" action={to("done")} className="grid gap-2 border-t-2 border-hair pt-4">
    {joined && (
      <p role="status" className="note note-good">
        {say("survey.joined")}
      </p>
    )}
    {problems.map((problem) => (
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
