import type { Activity } from "#core/formats/activity.ts";
import type { ResultRow } from "#server/assignments/results.ts";
import { ItemDrawing } from "../drawings/items.tsx";

/** What a child answered to the question before play; nothing where it was not asked, or not yet. */
export function chosenBy(a: Activity, row: Pick<ResultRow, "goes">): number | null {
  const chose = row.goes.find((g) => g.reflection.chose !== undefined)?.reflection.chose;
  return chose !== undefined && a.answers && chose < a.answers.list.length ? chose : null;
}

/** How many of a class chose which answer, the right one marked. */
export function Chosen({ activity: a, rows }: { activity: Activity; rows: readonly ResultRow[] }) {
  if (!a.answers) return null;
  const all = rows.map((r) => chosenBy(a, r)).filter((c) => c !== null);
  return (
    <section className="mt-6 max-w-3xl">
      <h2 className="mb-1 text-xl">{a.question}</h2>
      <p className="mb-1 text-sm text-quiet">
        Asked before the first go. {all.length} of {rows.length} answered.
      </p>
      <ul>
        {a.answers.list.map((x, i) => {
          const n = all.filter((c) => c === i).length;
          return (
            <li key={`${x.picture} ${x.text}`} className="row-line flex items-center gap-3 py-1.5">
              <ItemDrawing item={x.picture} size={32} />
              <span className={`w-56 ${a.answers?.right === i ? "font-bold" : ""}`}>
                {x.text}
                {a.answers?.right === i && <span className="font-normal text-quiet"> ✓ the answer</span>}
              </span>
              <span className="h-3 grow bg-raised" aria-hidden="true">
                <span
                  className="block h-3 bg-teal"
                  style={{ width: `${all.length === 0 ? 0 : (100 * n) / all.length}%` }}
                />
              </span>
              <span className="w-10 text-right font-semibold">{n}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
