import { Trash2 } from "lucide-react";
import { Link } from "react-router";
import { doseAt, type Exercise, exerciseNamed, exerciseOf, exercises, KINDS, timeOf } from "#core/exercises/library.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import { type Activity, sendsOneByOne } from "#core/formats/activity.ts";
import { label } from "#words/teacher.ts";
import { Button } from "../ui/button.tsx";
import { ExerciseFigure } from "../ui/exercises.tsx";
import { Select } from "../ui/field.tsx";
import { Fold } from "../ui/group.tsx";
import { NumberField, Toggle } from "./fields.tsx";
import { useSchool } from "./items.tsx";
import { countedText } from "./station-parts.tsx";
import { TimePlanFields } from "./time-plan.tsx";

const MOST = 6;
const PARTS = [
  { field: "warmUp", title: "Warm-up" },
  { field: "coolDown", title: "Cool-down" },
] as const;

/** The activity together with those of the school's own exercises that it uses, and no others. */
function withExercises(activity: Activity, own: readonly Exercise[]): Activity {
  const all = [...own, ...(activity.exercises ?? [])] as Activity["exercises"];
  const ids = new Set([...(activity.warmUp ?? []), ...(activity.coolDown ?? [])]);
  if (activity.between) ids.add(exerciseNamed(activity.between.exercise, all)?.id ?? "");
  const used = [...ids].flatMap((id) => all.find((e) => e.id === id) ?? []);
  return { ...activity, exercises: used };
}

/** The exercises to choose from: the school's own first, then the library, grouped by purpose. */
function Offered({ own, not, value }: { own: readonly Exercise[]; not: readonly string[]; value: "id" | "name" }) {
  const options = (list: readonly Exercise[]) =>
    list
      .filter((exercise) => !not.includes(exercise.id))
      .map((exercise) => (
        <option key={exercise.id} value={exercise[value]}>
          {exercise.name}
          {exercise.trains && ` (${exercise.trains})`}
        </option>
      ));
  return (
    <>
      {own.length > 0 && <optgroup label="Your school's own">{options(own)}</optgroup>}
      {KINDS.map((kind) => (
        <optgroup key={kind} label={label(`exercise.${kind}`)}>
          {options(exercises.filter((exercise) => exercise.kind === kind))}
        </optgroup>
      ))}
    </>
  );
}

/**
 * Short exercises from the library before and after the game: how much of each is right for this age, and how long
 * all of them take.
 */
export function ExerciseFields({
  activity,
  change: put,
  middle,
}: {
  activity: Activity;
  change: (next: Activity, what?: string) => void;
  middle: Who;
}) {
  const { exercises: own } = useSchool();
  const age = Math.round((activity.ages.from + activity.ages.to) / 2);
  const change = (next: Activity, what?: string) => put(withExercises(next, own), what);
  const all = [...own, ...(activity.exercises ?? [])];
  const count = (activity.warmUp ?? []).length + (activity.coolDown ?? []).length + (activity.between ? 1 : 0);
  return (
    <Fold title="Warm-up, cool-down, exercises" note={countedText(count, "added")}>
      <p className="py-1.5 text-sm">
        <Link to="/exercises" className="underline">
          See all short exercises, or add your own
        </Link>
      </p>
      <TimePlanFields activity={activity} change={change} middle={middle} own={all} />
      {PARTS.map(({ field, title }) => {
        const list = activity[field] ?? [];
        const { seconds } = timeOf(list, age, all);
        return (
          <section key={field} aria-label={title} className="mb-3">
            <h4 className="text-base">
              {title}
              {list.length > 0 && (
                <span className="ml-2 text-sm font-normal text-quiet">
                  about {Math.max(1, Math.round(seconds / 60))} min at age {age}
                </span>
              )}
            </h4>
            <ul className="grid gap-1">
              {list.flatMap((id, i) => {
                const exercise = exerciseOf(id, all);
                if (!exercise) return [];
                const dose = doseAt(exercise, age);
                return [
                  <li key={`${id} ${i + 1}`} className="row-line flex items-center gap-2 py-1 text-sm">
                    <ExerciseFigure poses={exercise.poses} width={84} />
                    <span className="min-w-0 grow leading-tight">
                      <span className="block font-semibold">{exercise.name}</span>
                      <span className="block text-quiet">
                        {dose > 0 ? `${dose} ${label(`unit.dose.${exercise.unit}`)}` : "not at this age yet"},{" "}
                        {exercise.trains}
                      </span>
                    </span>
                    <Button
                      look="bare"
                      size="icon"
                      aria-label={`Remove ${exercise.name}`}
                      onClick={() => change({ ...activity, [field]: list.filter((_, k) => k !== i) })}
                    >
                      <Trash2 size={16} aria-hidden="true" />
                    </Button>
                  </li>,
                ];
              })}
            </ul>
            {list.length < MOST && (
              <Select
                aria-label={`Add to the ${title.toLowerCase()}`}
                className="mt-1 w-full py-1 text-sm"
                value=""
                onChange={(ev) => ev.target.value && change({ ...activity, [field]: [...list, ev.target.value] })}
              >
                <option value="">Add an exercise</option>
                <Offered own={own} not={list} value="id" />
              </Select>
            )}
          </section>
        );
      })}
      <BetweenFields activity={activity} own={own} age={age} change={change} />
    </Fold>
  );
}

/** An exercise after every few attempts: which one, how much, and how often. */
function BetweenFields({
  activity,
  own,
  age,
  change,
}: {
  activity: Activity;
  own: readonly Exercise[];
  age: number;
  change: (next: Activity, what?: string) => void;
}) {
  const { between } = activity;
  if (!between && !sendsOneByOne(activity)) return null;
  const with_ = (exercise: Exercise, every: number) => ({
    exercise: exercise.name,
    dose: Math.max(1, doseAt(exercise, age)),
    every,
    each: exercise.unit === "seconds" ? 1 : exercise.each,
  });
  const e = between && exerciseNamed(between.exercise, own);
  return (
    <section aria-label="Exercise between attempts" className="mb-3">
      <h4 className="text-base">Exercise between attempts</h4>
      <Toggle
        name="Add an exercise between attempts"
        value={between !== null && between !== undefined}
        change={(on) => change({ ...activity, between: on ? with_(exercises[0]!, 3) : null })}
      />
      {between && (
        <div>
          {e && <ExerciseFigure poses={e.poses} width={84} />}
          <div>
            <Select
              aria-label="Exercise"
              className="w-full py-1 text-sm"
              value={between.exercise}
              onChange={(ev) => {
                const next = exerciseNamed(ev.target.value, own);
                if (next) change({ ...activity, between: with_(next, between.every) });
              }}
            >
              {!e && <option value={between.exercise}>{between.exercise}</option>}
              <Offered own={own} not={[]} value="name" />
            </Select>
            <NumberField
              step={1}
              name={`How many${e?.unit === "seconds" ? " seconds" : ""}?`}
              value={between.dose}
              least={1}
              most={120}
              change={(dose) => change({ ...activity, between: { ...between, dose } }, "between dose")}
            />
            <NumberField
              step={1}
              name="Exercise after this many attempts"
              value={between.every}
              least={1}
              most={20}
              change={(every) => change({ ...activity, between: { ...between, every } }, "between every")}
            />
          </div>
        </div>
      )}
    </section>
  );
}
