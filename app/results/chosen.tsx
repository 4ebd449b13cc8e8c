import type { Activity } from "#core/formats/activity.ts";
import type { ResultRow } from "#server/assignments/results.ts";
import { ItemDrawing } from "../drawings/items.tsx";

/** What a child answered to the question before play; nothing where it was not asked, or not yet. */
export function chosenBy(activity: Activity, row: Pick<ResultRow, "goes">): number | null {
  const chose = row.goes.find((go) => go.reflection.chose !== undefined)?.reflection.chose;
  return chose !== undefined && activity.answers && chose < activity.answers.list.length ? chose : null;
}

/** How many of a class chose which answer, the right one marked. */
export function Chosen({ activity, rows }: { activity: Activity; rows: readonly ResultRow[] }) {
  if (!activity.answers) return null;
  const all = rows.map((row) => chosenBy(activity, row)).filter((c) => c !== null);
  return (
    <section className="mt-6 max-w-3xl">
      <h2 className="mb-1 text-xl">{activity.question}</h2>
      <p className="mb-1 text-sm text-quiet">
        Asked before the first go. {all.length} of {rows.length} answered.
      </p>
      <ul>
        {activity.answers.list.map((x, i) => {
          const count = all.filter((c) => c === i).length;
          return (
            <li key={`${x.picture} ${x.text}`} className="row-line flex items-center gap-3 py-1.5">
              <ItemDrawing item={x.picture} size={32} />
              <span className={`w-56 ${activity.answers?.right === i ? "font-bold" : ""}`}>
                {x.text}
                {activity.answers?.right === i && <span className="font-normal text-quiet"> ✓ the answer</span>}
              </span>
              <span className="h-3 grow bg-raised" aria-hidden="true">
                <span
                  className="block h-3 bg-teal"
                  style={{ width: `${all.length === 0 ? 0 : (100 * count) / all.length}%` }}
                />
              </span>
              <span className="w-10 text-right font-semibold">{count}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
