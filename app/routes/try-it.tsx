import { lazy, Suspense, useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { compileCard } from "#core/compile/card.ts";
import type { Unit } from "#core/contract/contract.ts";
import { clockText } from "#core/records/score-text.ts";
import { activityFor } from "#server/activities/activities.ts";
import { shellOf } from "#server/school/classes.ts";
import { found, idOf } from "../answer.server.ts";
import { drawingsOf, OwnDrawings } from "../drawings/items.tsx";
import type { CardData } from "../family/card/card-data.ts";
import { Chunks } from "../family/card/chunks.tsx";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/try-it";

export const meta: Route.MetaFunction = ({ data: d }) => [
  { title: `Try ${d?.data.card.activity.title ?? "it"} · Daring Yard` },
];

/** The game is loaded separately, as on a family's device. */
const TryIt = lazy(() => import("../family/play/try-it.tsx"));
/** How many times as fast the clock can run, for somebody who only looks. */
const SPEEDS = [1, 2, 4, 8] as const;

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const id = idOf(params.id, "activity");
  const [{ document: activity }, shell] = await Promise.all([found(activityFor(who, id)), shellOf(who)]);
  const age = Math.round((activity.ages.from + activity.ages.to) / 2);
  const now = new Date();
  const data: CardData = {
    id: `try-${id}`,
    name: shell.teacher.split(" ")[0] ?? shell.teacher,
    school: shell.school,
    card: compileCard(activity, { age, leftHanded: false, step: null }),
    hash: "",
    state: "open",
    opensAt: now,
    closesAt: now,
    tries: 99,
    used: 0,
    mark: null,
    best: null,
    token: `try-${id}`,
    opens: "",
    closes: "",
    asked: { screen: "play", at: null },
  };
  return { id, data };
}

/** Lets a teacher play the game as it is, on the family's screens, and use the score as the score to beat. */
export default function TryItPage({ loaderData }: Route.ComponentProps) {
  const { id, data } = loaderData;
  const [speed, setSpeed] = useState<number>(1);
  const [there, setThere] = useState(false);
  useEffect(() => setThere(true), []);
  const navigate = useNavigate();
  const take = (score: { value: number; unit: Unit }) => {
    const mark = score.unit === "tenths" ? clockText(score.value) : String(score.value);
    void navigate(`/activities/${id}?station=send&mark=${encodeURIComponent(mark)}`);
  };
  return (
    <main className="mx-auto grid w-full max-w-5xl grid-cols-[minmax(0,1fr)_minmax(0,26rem)] gap-8 p-6 max-md:grid-cols-1">
      <div>
        <p>
          <Link to={`/activities/${id}`} className="underline">
            Back to the workbench
          </Link>
        </p>
        <h1 className="mt-2 text-3xl">Try {data.card.activity.title}</h1>
        <p className="mt-2 max-w-prose">
          This is what the family sees. Tap, or use the keys named on the screen. Nothing you do here is saved.
        </p>
        <fieldset className="mt-4">
          <legend className="mb-1 font-semibold">Clock speed</legend>
          <div className="flex gap-2">
            {SPEEDS.map((eachSpeed) => (
              <label
                key={eachSpeed}
                className={`cursor-pointer rounded-md border-2 px-3 py-1 font-semibold has-focus-visible:outline-3 ${eachSpeed === speed ? "border-ink bg-mustard text-night" : "border-hair"}`}
              >
                <input
                  type="radio"
                  name="speed"
                  className="sr-only"
                  checked={eachSpeed === speed}
                  onChange={() => setSpeed(eachSpeed)}
                />
                {eachSpeed === 1 ? "normal" : `×${eachSpeed}`}
              </label>
            ))}
          </div>
          <p className="mt-1 text-sm text-quiet">Applies from the next go.</p>
        </fieldset>
      </div>
      <section
        aria-label="The game"
        className="on-court flex min-h-[44rem] flex-col overflow-hidden rounded-xl border-4 border-ink bg-court text-chalk"
      >
        {there ? (
          <Chunks>
            <Suspense fallback={<p className="p-6">...</p>}>
              <OwnDrawings value={drawingsOf(data.card.activity.kit.own)}>
                <TryIt data={data} speed={speed} take={take} />
              </OwnDrawings>
            </Suspense>
          </Chunks>
        ) : (
          <p className="p-6">...</p>
        )}
      </section>
    </main>
  );
}
