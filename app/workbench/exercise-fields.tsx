import { Trash2 } from "lucide-react";
import { doseAt, exerciseOf, exercises, KINDS, timeOf } from "#core/exercises/library.ts";
import type { Activity } from "#core/formats/activity.ts";
import { label } from "#words/teacher.ts";
import { ExerciseFigure } from "../ui/exercises.tsx";

const MOST = 6;
const PARTS = [
  { field: "warmUp", title: "Warm-up" },
  { field: "coolDown", title: "Cool-down" },
] as const;

/** Short exercises from the library, before and after the game: what each is for this age, and what all of them take. */
export function ExerciseFields({ activity: a, change }: { activity: Activity; change: (next: Activity) => void }) {
  const age = Math.round((a.ages.from + a.ages.to) / 2);
  return (
    <>
      {PARTS.map(({ field, title }) => {
        const list = a[field] ?? [];
        const { seconds } = timeOf(list, age);
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
                const e = exerciseOf(id);
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
                      aria-label={`Take away: ${e.name}`}
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
                {KINDS.map((kind) => (
                  <optgroup key={kind} label={label(`exercise.${kind}`)}>
                    {exercises
                      .filter((e) => e.kind === kind && !list.includes(e.id))
                      .map((e) => (
                        <option key={e.id} value={e.id}>
                          {e.name} ({e.trains})
                        </option>
                      ))}
                  </optgroup>
                ))}
              </select>
            )}
          </section>
        );
      })}
    </>
  );
}
