import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { ResultRow } from "#server/assignments/results.ts";
import { targetName } from "#words/say.ts";
import { tell } from "#words/tell.ts";

interface Line {
  id: string;
  name: string;
  sends: number;
  hits: number;
}

/** All sends of a class by what they were meant for, in the order of the yard. Goes that were taken back are left out. */
export function byTarget(activity: Activity, rows: readonly Pick<ResultRow, "goes">[]): Line[] {
  const sums = new Map<string, [number, number]>();
  for (const { goes } of rows)
    for (const go of goes) {
      if (go.corrected && go.corrected.score === null) continue;
      for (const [id, [sends, hits]] of go.aimed) {
        const [s, height] = sums.get(id) ?? [0, 0];
        sums.set(id, [s + sends, height + hits]);
      }
    }
  const { parts } = opened(activity);
  const nameOf = (id: string) => {
    const part = parts.find((eachPart) => eachPart.id === id);
    if (part?.kind === "target") return targetName(part);
    if (part?.kind === "zone") return tell("byTarget.band", { points: part.points });
    if (part?.kind === "cell") return tell("byTarget.cell", { label: part.label });
    const line = /^l(\d+)$/.exec(id)?.[1];
    if (line) return tell("byTarget.line", { number: Number(line) });
    const mark = /^m(\d+)$/.exec(id)?.[1];
    return mark ? tell("byTarget.mark", { number: Number(mark) }) : tell("byTarget.other", { id });
  };
  const place = (id: string) => {
    const at = parts.findIndex((part) => part.id === id);
    return at < 0 ? parts.length : at;
  };
  return [...sums]
    .map(([id, [sends, hits]]) => ({ id, name: nameOf(id), sends, hits }))
    .sort((x, y) => place(x.id) - place(y.id) || (x.id < y.id ? -1 : 1));
}

/** Hits by target over the class: where it was easy, and where it stopped. */
export function ByTarget({ activity, rows }: { activity: Activity; rows: readonly ResultRow[] }) {
  const lines = byTarget(activity, rows);
  if (lines.length === 0) return null;
  const rests = !lines.some((line) => /^[tlcm]\d/.test(line.id));
  return (
    <section className="mt-6 max-w-3xl">
      <h2 className="mb-1 text-xl">{rests ? "Where they stopped" : "Hits by target"}</h2>
      <p className="mb-1 text-sm text-quiet">All attempts by the class, including goes that do not count.</p>
      <table className="w-full text-[0.95rem]">
        <tbody>
          {lines.map((line) => (
            <tr key={line.id} className="row-line">
              <th scope="row" className="w-44 py-1 pr-3 text-left font-semibold">
                {line.name}
              </th>
              <td>
                <span className="block h-3 rounded-sm bg-hair">
                  <span
                    className="block h-3 rounded-sm bg-teal"
                    style={{ width: `${(100 * line.hits) / Math.max(1, line.sends)}%` }}
                  />
                </span>
              </td>
              <td className="w-40 pl-3 text-right">
                {Math.round((100 * line.hits) / Math.max(1, line.sends))}%,{" "}
                {tell("byTarget.of", { n: line.hits, all: line.sends })}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
