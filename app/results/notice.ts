import { betterOf, settingOf } from "#core/records/rank.ts";
import { looksAt } from "#server/assignments/looks.ts";
import type { ResultRow } from "#server/assignments/results.ts";
import type { Expected } from "#server/compute/work.ts";

/** What stands out in a child's row, in this order; each is a word of the page and a filter. */
export const NOTICES = ["unopened", "opened", "none", "stopped", "under", "look"] as const;
export type Notice = (typeof NOTICES)[number];

/** So far below the band that nine of ten children of the age reach: under half of its lower edge, or twice its upper one where less is better. */
const FAR = 2;
function farUnder(row: ResultRow, expected: Expected | undefined): boolean {
  if (!row.best || !expected || settingOf(row.best.score) !== "") return false;
  const { score } = row.best;
  if (betterOf(score) === "less") return !score.finished || score.value > FAR * expected.high;
  return score.value < expected.low / FAR;
}

/** What a teacher would want to see first in a row. */
export function noticesOf(row: ResultRow, expected: Expected | undefined): Notice[] {
  const standing = row.goes.filter((go) => go.corrected?.score !== null);
  const out: Notice[] = [];
  if (standing.length === 0) out.push(row.openedAt ? "opened" : "unopened");
  else if (row.best === null) out.push("none");
  if (standing.some((go) => go.score.stopped)) out.push("stopped");
  if (farUnder(row, expected)) out.push("under");
  if (
    standing.some((go) => !row.checked.has(go.playId) && looksAt(go, expected, row.unlikely.get(go.playId)).length > 0)
  )
    out.push("look");
  return out;
}
