import { Trash2 } from "lucide-react";
import { Link } from "react-router";
import { doseAt, type Exercise, exerciseNamed, exerciseOf, exercises, KINDS, timeOf } from "#core/exercises/library.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import { type Activity, sendsOneByOne } from "#core/formats/activity.ts";
import { label } from "#words/teacher.ts";
import { ExerciseFigure } from "../ui/exercises.tsx";
import { useSchool } from "./items.tsx";
import { NumberField, Toggle } from "./knobs.tsx";
import { TimePlanFields } from "./time-plan.tsx";

const MOST = 6;
const PARTS = [
  { field: "warmUp", title: "Warm-up" },
  { field: "coolDown", title: "Cool-down" },
] as const;

/** The activity with the exercises of the school's own that it speaks of along, and no others. */
function withExercises(a: Activity, own: readonly Exercise[]): Activity {
  const all = [...own, ...(a.exercises ?? [])] as Activity["exercises"];
  const ids = new Set([...(a.warmUp ?? []), ...(a.coolDown ?? [])]);
  if (a.between) ids.add(exerciseNamed(a.between.exercise, all)?.id ?? "");
  const used = [...ids].flatMap((id) => all.find((e) => e.id === id) ?? []);
  return { ...a, exercises: used };
}

/** The exercises to choose from: the school's own first, then the library by what they are for. */
function Offered({ own, not, value }: { own: readonly Exercise[]; not: readonly string[]; value: "id" | "name" }) {
  const options = (list: readonly Exercise[]) =>
    list
      .filter((e) => !not.includes(e.id))
      .map((e) => (
        <option key={e.id} value={e[value]}>
          {e.name}
          {e.trains && ` (${e.trains})`}
        </option>
      ));
  return (
    <>
      {own.length > 0 && <optgroup label="Your school's own">{options(own)}</optgroup>}
      {KINDS.map((kind) => (
        <optgroup key={kind} label={label(`exercise.${kind}`)}>
          {options(exercises.filter((e) => e.kind === kind))}
        </optgroup>
      ))}
    </>
  );
}

/** Short exercises from the library, before and after the game: what each is for this age, and what all of them take. */
export function ExerciseFields({
  activity: a,
  change: put,
  middle,
}: {
  activity: Activity;
  change: (next: Activity, what?: string) => void;
  middle: Who;
}) {
  const { exercises: own } = useSchool();
  const age = Math.round((a.ages.from + a.ages.to) / 2);
  const change = (next: Activity, what?: string) => put(withExercises(next, own), what);
  const all = [...own, ...(a.exercises ?? [])];
  return (
    <>
      <p className="mb-1 text-sm">
        <Link to="/exercises" className="underline">
          See all short exercises, or add your own
        </Link>
      </p>
      <TimePlanFields activity={a} change={change} middle={middle} own={all} />
      {PARTS.map(({ field, title }) => {
        const list = a[field] ?? [];
        const { seconds } = timeOf(list, age, all);
        return (
          <section key={field} aria-label={title} className="mb-3">
            <h3 className="text-base">
              {title}
              {list.length > 0 && (
                <span className="ml-2 text-sm font-normal text-quiet">
                  about {Math.max(1, Math.round(seconds / 60))} min at age {age}
                </span>
              )}
            </h3>
            <ul className="grid gap-1">
              {list.flatMap((id, i) => {
                const e = exerciseOf(id, all);
                if (!e) return [];
                const dose = doseAt(e, age);
                return [
                  <li key={`${id} ${i + 1}`} className="row-line flex items-center gap-2 py-1 text-sm">
                    <ExerciseFigure poses={e.poses} width={84} />
                    <span className="min-w-0 grow leading-tight">
                      <span className="block font-semibold">{e.name}</span>
                      <span className="block text-quiet">
                        {dose > 0 ? `${dose} ${label(`unit.dose.${e.unit}`)}` : "not at this age yet"}, {e.trains}
                      </span>
                    </span>
                    <button
                      type="button"
                      className="grid size-8 place-items-center"
                      aria-label={`Remove ${e.name}`}
                      onClick={() => change({ ...a, [field]: list.filter((_, k) => k !== i) })}
                    >
                      <Trash2 size={16} aria-hidden="true" />
                    </button>
                  </li>,
                ];
              })}
            </ul>
            {list.length < MOST && (
              <select
                aria-label={`Add to the ${title.toLowerCase()}`}
                className="mt-1 w-full py-1 text-sm"
                value=""
                onChange={(ev) => ev.target.value && change({ ...a, [field]: [...list, ev.target.value] })}
              >
                <option value="">Add an exercise</option>
                <Offered own={own} not={list} value="id" />
              </select>
            )}
          </section>
        );
      })}
      <BetweenFields activity={a} own={own} age={age} change={change} />
    </>
  );
}

/** An exercise after every so many sends: what, how much, how often. */
function BetweenFields({
  activity: a,
  own,
  age,
  change,
}: {
  activity: Activity;
  own: readonly Exercise[];
  age: number;
  change: (next: Activity, what?: string) => void;
}) {
  const { between } = a;
  if (!between && !sendsOneByOne(a)) return null;
  const with_ = (e: Exercise, every: number) => ({
    exercise: e.name,
    dose: Math.max(1, doseAt(e, age)),
    every,
    each: e.unit === "seconds" ? 1 : e.each,
  });
  const e = between && exerciseNamed(between.exercise, own);
  return (
    <section aria-label="Exercise between attempts" className="mb-3">
      <h3 className="text-base">Exercise between attempts</h3>
      <Toggle
        name="Add an exercise between attempts"
        value={between !== null && between !== undefined}
        change={(on) => change({ ...a, between: on ? with_(exercises[0]!, 3) : null })}
      />
      {between && (
        <div>
          {e && <ExerciseFigure poses={e.poses} width={84} />}
          <div>
            <select
              aria-label="Exercise"
              className="w-full py-1 text-sm"
              value={between.exercise}
              onChange={(ev) => {
                const next = exerciseNamed(ev.target.value, own);
                if (next) change({ ...a, between: with_(next, between.every) });
              }}
            >
              {!e && <option value={between.exercise}>{between.exercise}</option>}
              <Offered own={own} not={[]} value="name" />
            </select>
            <NumberField
              step={1}
              name={`How many${e?.unit === "seconds" ? " seconds" : ""}?`}
              value={between.dose}
              least={1}
              most={120}
              change={(dose) => change({ ...a, between: { ...between, dose } }, "between dose")}
            />
            <NumberField
              step={1}
              name="Exercise after this many attempts"
              value={between.every}
              least={1}
              most={20}
              change={(every) => change({ ...a, between: { ...between, every } }, "between every")}
            />
          </div>
        </div>
      )}
    </section>
  );
}
