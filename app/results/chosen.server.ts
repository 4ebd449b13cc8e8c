import type { Activity } from "#core/formats/activity.ts";
import type { ResultRow } from "#server/assignments/results.ts";

/** What a child answered to the question before play. Null if they were not asked, or have not answered yet. */
export function chosenBy(activity: Activity, row: Pick<ResultRow, "goes">): number | null {
  const chose = row.goes.find((go) => go.reflection.chose !== undefined)?.reflection.chose;
  return chose !== undefined && activity.answers && chose < activity.answers.list.length ? chose : null;
}
