import { useEffect, useRef } from "react";
import { data, Form, Link } from "react-router";
import { CAUTION_OF, EXERCISE_CAUTIONS, type Exercise, exerciseOf, exercises, KINDS } from "#core/exercises/library.ts";
import type { OwnExercise } from "#core/exercises/own.ts";
import { deleteExercise, exercisesFor, saveExercise } from "#server/kit/exercises.ts";
import { say } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { answered } from "../answer.server.ts";
import { fieldsOf, jsonIn, searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { ExerciseFigure } from "../ui/exercises.tsx";
import { Select } from "../ui/field.tsx";
import { problemText } from "../ui/problem-text.ts";
import type { Route } from "./+types/exercises";

export const meta: Route.MetaFunction = () => [{ title: "Exercises · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const own = await exercisesFor(await teacherOf(request));
  const asked = searchOf(request);
  return {
    own,
    kind: KINDS.find((kind) => kind === asked.get("kind")) ?? null,
    quiet: asked.get("quiet") === "yes",
    edit: own.find((e) => e.id === asked.get("edit")) ?? null,
  };
}

/** Makes an id from a name: `wall sits` becomes ownWallSits. */
const idFrom = (name: string) =>
  `own${name
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9 ]/g, "")
    .trim()
    .split(/\s+/)
    .map((word) => (word === "" ? "" : word[0]!.toUpperCase() + word.slice(1).toLowerCase()))
    .join("")
    .slice(0, 36)}`;
const number = (text: string | undefined) =>
  (text ?? "").trim() === "" ? Number.NaN : Number((text ?? "").replace(",", "."));
/** Reads the form as an exercise, which is not checked yet. */
const exerciseIn = (f: Record<string, string>): unknown => ({
  // A name in another script has no letters for an id.
  id: f.id || (/^own[A-Z]/.test(idFrom(f.name ?? "")) ? idFrom(f.name ?? "") : `ownE${Date.now().toString(36)}`),
  name: f.name ?? "",
  kind: f.kind,
  dose: [number(f.young), number(f.middle), number(f.older)],
  unit: f.unit,
  each: f.unit === "seconds" ? 1 : number(f.each),
  trains: f.trains ?? "",
  cues: [f.cue1 ?? "", f.cue2 ?? "", f.cue3 ?? ""],
  easier: f.easier ?? "",
  harder: f.harder ?? "",
  seated: f.seated ?? "",
  caution: f.caution || null,
  room: number(f.room),
  quiet: f.quiet === "yes",
  thing: f.thing?.trim() || null,
  poses: (exerciseOf(f.drawing ?? "") ?? exercises[0]!).poses,
});

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const fields = await fieldsOf(request);
  const done = (told: string, undo: OwnExercise | null = null) => ({ ok: true as const, problems: [], told, undo });
  const answer = await answered(async () => {
    switch (fields.intent) {
      case "delete":
        return done(
          "Removed from the list. Activities that use it keep their copy.",
          await deleteExercise(who, fields.id ?? ""),
        );
      case "putBack":
        await saveExercise(who, jsonIn(fields.exercise ?? ""), true);
        return done("Back in the list.");
      case "save":
        return done(
          `${(await saveExercise(who, exerciseIn(fields), !fields.id)).name} saved. You can choose it in Cues.`,
        );
      default:
        return data(
          { ok: false as const, problems: [{ field: "intent", message: "This page cannot do that. Load it again." }] },
          { status: 400 },
        );
    }
  });
  if ("ok" in answer) return answer;
  // What was typed stays in the form.
  return data(
    { ...(answer.data as { ok: false; problems: { field: string; message: string }[] }), typed: fields },
    answer.init ?? {},
  );
}

/** The short exercises of the library with their drawings, and the school's own. */
export default function Exercises({ loaderData: d, actionData: a }: Route.ComponentProps) {
  const fits = (exercise: Exercise) => (!d.kind || exercise.kind === d.kind) && (!d.quiet || exercise.quiet);
  const typed = a && "typed" in a ? (a.typed as Record<string, string>) : undefined;
  // The result of a form far down the page is shown at its top.
  const result = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (a) result.current?.focus();
  }, [a]);
  return (
    <main className="mx-auto w-full max-w-7xl p-6">
      <p className="mb-1 text-sm">
        <Link to="/activities" className="underline">
          Activities
        </Link>
      </p>
      <h1 className="text-3xl">Short exercises</h1>
      <p className="mb-3 max-w-3xl text-quiet">
        For warm-ups and cool-downs, after too many misses, between attempts, and for homes with nothing to play with. A
        child's care plan comes first.
      </p>
      <div ref={result} tabIndex={-1}>
        {a && !a.ok && (
          <ul role="alert" className="note problem mb-3">
            {a.problems.map((problem) => (
              <li key={problem.message}>{problemText(problem.message)}</li>
            ))}
          </ul>
        )}
        {a?.ok && (
          <Form method="post" className="note note-good mb-3 flex flex-wrap items-center gap-3">
            <span role="status">{a.told}</span>
            {a.undo && (
              <>
                <input type="hidden" name="exercise" value={JSON.stringify(a.undo)} />
                <Button type="submit" name="intent" value="putBack" size="small">
                  Undo
                </Button>
              </>
            )}
          </Form>
        )}
      </div>
      <OwnExercises d={d} typed={typed} />
      <h2 className="text-xl">The library</h2>
      <Form method="get" className="mb-2 flex flex-wrap items-center gap-3 text-sm">
        <label className="flex items-center gap-1.5">
          Suitable for
          <Select name="kind" defaultValue={d.kind ?? ""} className="py-0.5">
            <option value="">anything</option>
            {KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {label(`exercise.${kind}`)}
              </option>
            ))}
          </Select>
        </label>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" name="quiet" value="yes" defaultChecked={d.quiet} /> quiet homes only
        </label>
        <Button type="submit" look="quiet" size="small">
          Show
        </Button>
      </Form>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-2">
        {exercises.filter(fits).map((exercise) => (
          <Shown key={exercise.id} e={exercise} />
        ))}
      </ul>
    </main>
  );
}

function Shown({ e: exercise, children }: { e: Exercise; children?: React.ReactNode }) {
  const [young, middle, older] = exercise.dose;
  return (
    <li className="rounded-sm border-2 border-hair p-2">
      <ExerciseFigure poses={exercise.poses} width={132} />
      <p className="leading-tight font-semibold">{exercise.name}</p>
      <p className="text-sm text-quiet">
        {young}, {middle}, {older} {label(`unit.dose.${exercise.unit}`)}
        {exercise.trains && `, ${exercise.trains}`}
      </p>
      <p className="text-sm">{exercise.cues.filter(Boolean).join(". ")}.</p>
      <p className="text-sm text-quiet">
        {[
          exercise.easier && `Easier: ${exercise.easier.toLowerCase()}`,
          exercise.harder && `harder: ${exercise.harder.toLowerCase()}`,
          exercise.seated && `seated: ${exercise.seated.toLowerCase()}`,
          `needs ${exercise.room} m of room`,
          exercise.quiet && "quiet",
          exercise.thing && `needs a ${exercise.thing}`,
        ]
          .filter(Boolean)
          .join("; ")}
        .
      </p>
      {children}
    </li>
  );
}

const DOSES = [
  ["young", "Up to 6 years"],
  ["middle", "7 to 9"],
  ["older", "10 and over"],
] as const;
const TEXTS = [
  ["trains", "What it trains", "in words a child knows"],
  ["cue1", "First cue", ""],
  ["cue2", "Second cue", "optional"],
  ["cue3", "Third cue", "optional"],
  ["easier", "Easier", "optional"],
  ["harder", "Harder", "optional"],
  ["seated", "Seated version", "for a child who sits"],
  ["thing", "Item needed", "optional"],
] as const;

function OwnForm({ is, typed }: { is: OwnExercise | null; typed: Record<string, string> | undefined }) {
  const kept: Record<string, string> = is
    ? {
        ...Object.fromEntries(
          TEXTS.map(([name]) => [name, name in is ? String((is as never as Record<string, unknown>)[name] ?? "") : ""]),
        ),
        cue1: is.cues[0],
        cue2: is.cues[1],
        cue3: is.cues[2],
        name: is.name,
        young: String(is.dose[0]),
        middle: String(is.dose[1]),
        older: String(is.dose[2]),
        each: String(is.each),
        room: String(is.room),
        kind: is.kind,
        unit: is.unit,
        caution: is.caution ?? "",
        quiet: is.quiet ? "yes" : "",
        drawing: exercises.find((exercise) => JSON.stringify(exercise.poses) === JSON.stringify(is.poses))?.id ?? "",
      }
    : { young: "6", middle: "10", older: "15", each: "1.5", room: "1", kind: "strength", unit: "times", quiet: "yes" };
  const at = (name: string) => (typed ? typed[name] : kept[name]) ?? "";
  return (
    <Form method="post" action="/exercises" className="grid gap-3 pt-2">
      {is && <input type="hidden" name="id" value={is.id} />}
      <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
        <label className="field">
          <span>Name</span>
          <input name="name" required maxLength={40} defaultValue={at("name")} />
        </label>
        <label className="field">
          <span>Type</span>
          <Select name="kind" defaultValue={at("kind")}>
            {KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {label(`exercise.${kind}`)}
              </option>
            ))}
          </Select>
        </label>
        <label className="field">
          <span>Use the drawing of</span>
          <Select name="drawing" defaultValue={at("drawing")}>
            {exercises.map((exercise) => (
              <option key={exercise.id} value={exercise.id}>
                {exercise.name}
              </option>
            ))}
          </Select>
        </label>
      </div>
      <DoseFields at={at} />
      <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
        {TEXTS.map(([name, title, hint]) => (
          <label key={name} className="field">
            <span>
              {title} {hint && <span className="hint">{hint}</span>}
            </span>
            <input name={name} maxLength={60} required={name === "cue1"} defaultValue={at(name)} />
          </label>
        ))}
        <label className="field">
          <span>
            Room needed <span className="hint">metres across</span>
          </span>
          <input name="room" inputMode="decimal" defaultValue={at("room")} />
        </label>
      </div>
      <div className="flex flex-wrap items-center gap-4">
        <label className="field">
          <span>Caution on the card</span>
          <Select name="caution" defaultValue={at("caution")}>
            <option value="">none</option>
            {EXERCISE_CAUTIONS.map((exerciseCaution) => (
              <option key={exerciseCaution} value={exerciseCaution}>
                {say(`caution.${CAUTION_OF[exerciseCaution]}`)}
              </option>
            ))}
          </Select>
        </label>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" name="quiet" value="yes" defaultChecked={at("quiet") === "yes"} /> quiet enough for a
          flat
        </label>
      </div>
      <p>
        <Button type="submit" name="intent" value="save" look="main">
          {is ? "Save exercise" : "Add exercise"}
        </Button>
      </p>
    </Form>
  );
}

/** Fields for the dose at each age. */
const DoseFields = ({ at }: { at: (name: string) => string }) => (
  <fieldset className="grid grid-cols-5 items-end gap-3 max-sm:grid-cols-2">
    <legend className="font-semibold">How much at each age; 0 means not at this age</legend>
    {DOSES.map(([name, title]) => (
      <label key={name} className="field min-w-0">
        <span>{title}</span>
        <input name={name} className="w-full min-w-0" inputMode="numeric" defaultValue={at(name)} />
      </label>
    ))}
    <label className="field">
      <span>Counted in</span>
      <Select name="unit" defaultValue={at("unit")}>
        <option value="times">times</option>
        <option value="seconds">seconds</option>
      </Select>
    </label>
    <label className="field">
      <span>Seconds for one</span>
      <input name="each" className="w-full min-w-0" inputMode="decimal" defaultValue={at("each")} />
    </label>
  </fieldset>
);

/** Lists the school's own exercises. */
const OwnExercises = ({
  d,
  typed,
}: {
  d: Route.ComponentProps["loaderData"];
  typed: Record<string, string> | undefined;
}) => (
  <section className="mb-6">
    <h2 className="text-xl">Your school's own exercises</h2>
    {d.own.length === 0 ? (
      <p className="text-quiet">None yet.</p>
    ) : (
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-2">
        {d.own.map((e) => (
          <Shown key={e.id} e={e}>
            <Form method="post" className="mt-1 flex gap-2">
              <ButtonLink to={`?edit=${e.id}#own`} look="quiet" size="small" aria-label={`Change ${e.name}`}>
                Change
              </ButtonLink>
              <input type="hidden" name="id" value={e.id} />
              <Button
                type="submit"
                name="intent"
                value="delete"
                look="quiet"
                size="small"
                aria-label={`Delete ${e.name}`}
              >
                Delete
              </Button>
            </Form>
          </Shown>
        ))}
      </ul>
    )}
    <details key={d.own.length} id="own" className="mt-2 max-w-3xl" open={d.edit !== null || typed !== undefined}>
      <summary className="font-semibold">{d.edit ? `Change ${d.edit.name}` : "Add your own exercise"}</summary>
      <OwnForm key={d.edit?.id ?? `new ${d.own.length}`} is={d.edit} typed={typed} />
    </details>
  </section>
);
