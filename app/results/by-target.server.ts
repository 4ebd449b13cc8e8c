import type { Activity } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import type { ResultRow } from "#server/assignments/results.ts";
import { targetName } from "#words/say.ts";
import { tell } from "#words/tell.ts";

export interface TargetLine {
  id: string;
  name: string;
  sends: number;
  hits: number;
}

/** All sends of a class by what they were meant for, in the order of the yard. Goes that were taken back are left out. */
export function byTarget(activity: Activity, rows: readonly Pick<ResultRow, "goes">[]): TargetLine[] {
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
