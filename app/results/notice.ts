import type { Unlikely } from "#core/estimate/unlikely.ts";
import { betterOf, settingOf } from "#core/records/rank.ts";
import type { Go } from "#server/assignments/goes.ts";
import type { ResultRow } from "#server/assignments/results.ts";
import type { Expected } from "#server/compute/work.ts";

/** What stands out in a child's row, in this order; each is a word of the page and a filter. */
export const NOTICES = ["unopened", "opened", "none", "stopped", "under", "look"] as const;
export type Notice = (typeof NOTICES)[number];

/** So far below the band that nine of ten children of the age reach: under half of its lower edge, or twice its upper one where less is better. */
const FAR = 2;
function farUnder(r: ResultRow, expected: Expected | undefined): boolean {
  if (!r.best || !expected || settingOf(r.best.score) !== "") return false;
  const { score } = r.best;
  if (betterOf(score) === "less") return !score.finished || score.value > FAR * expected.high;
  return score.value < expected.low / FAR;
}

/**
 * What makes a go worth a look: better than nearly all children of the age, more hits than the child's own games let expect, faster than what was sent
 * can be fetched, or taps as even as no throws are.
 */
export const LOOKS = ["rare", "unlikely", "hurried", "even"] as const;
/** Why a go is worth a look; none for most. Only a teacher sees it. Games set or played otherwise than sent are compared with nothing. */
export function looksAt(
  g: Pick<Go, "score" | "setup" | "source">,
  expected: Expected | undefined,
  unlikely?: Unlikely,
): (typeof LOOKS)[number][] {
  const { score } = g;
  const from = expected?.rare ?? null;
  const alike = settingOf(score) === "" && (g.source === "paper" || g.setup.players === 1) && !score.stopped;
  const better =
    betterOf(score) === "less"
      ? score.finished && from !== null && score.value <= from
      : from !== null && score.value >= from;
  const is = { rare: alike && better, unlikely: unlikely !== undefined, hurried: score.hurried, even: score.even };
  return LOOKS.filter((l) => is[l]);
}

/** What a teacher would want to see first in a row. */
export function noticesOf(r: ResultRow, expected: Expected | undefined): Notice[] {
  const standing = r.goes.filter((g) => g.corrected?.score !== null);
  const out: Notice[] = [];
  if (standing.length === 0) out.push(r.openedAt ? "opened" : "unopened");
  else if (r.best === null) out.push("none");
  if (standing.some((g) => g.score.stopped)) out.push("stopped");
  if (farUnder(r, expected)) out.push("under");
  if (standing.some((g) => looksAt(g, expected, r.unlikely.get(g.playId)).length > 0)) out.push("look");
  return out;
}

export const SORTS = ["age", "name", "best", "goes"] as const;
export type Sort = (typeof SORTS)[number];

/** Rows as asked for: those with one notice, or all; sorted. Children without a best come last by it. */
export function arranged(
  rows: readonly ResultRow[],
  expected: Record<number, Expected>,
  { show, sort }: { show: Notice | "all"; sort: Sort },
): ResultRow[] {
  const kept = rows.filter((r) => show === "all" || noticesOf(r, expected[r.age]).includes(show));
  const by: Record<Sort, (a: ResultRow, b: ResultRow) => number> = {
    age: () => 0,
    name: (a, b) => a.child.localeCompare(b.child),
    best: (a, b) => (b.best?.score.rank ?? -1) - (a.best?.score.rank ?? -1),
    goes: (a, b) => b.goes.length - a.goes.length,
  };
  return [...kept].sort(by[sort]);
}
