import type { Action } from "#core/actions/actions.ts";
import type { Activity } from "#core/formats/activity.ts";
import { settingOf } from "#core/records/rank.ts";
import { clockText } from "#core/records/score-text.ts";
import type { Go } from "#server/assignments/goes.ts";
import { looksAt } from "#server/assignments/looks.ts";
import type { ResultRow, Results } from "#server/assignments/results.ts";
import type { HomeMatch } from "#server/assignments/two-homes.ts";
import type { Expected } from "#server/compute/work.ts";
import { sayWorking } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { tell, tellScore } from "#words/tell.ts";
import { attemptWordsForTeacher } from "#words/verbs.ts";
import { type Clock, when } from "../when.ts";
import { byTarget } from "./by-target.server.ts";
import { chosenBy } from "./chosen.server.ts";
import { NOTICES, type Notice, noticesOf } from "./notice.ts";
import { setWords } from "./set-words.ts";

/**
 * A result as its page shows it: everything in words, so that the page needs neither the games' code nor the
 * catalogues.
 */
export type ResultView = ReturnType<typeof viewOf>;
export type ChildView = ResultView["rows"][number];
export type GoView = ChildView["goes"][number];

const shown = (value: number, unit: Go["score"]["unit"]) =>
  unit === "tenths" ? tellScore(value, unit) : String(value);

function lookWords(go: Go, expected: Expected | undefined, row: ResultRow): string[] {
  if (go.corrected?.score === null) return [];
  const unlikely = row.unlikely.get(go.playId);
  return looksAt(go, expected, unlikely).map((look) =>
    look === "unlikely" && unlikely
      ? tell("look.unlikely", { ...unlikely, expected: Math.round(unlikely.expected) })
      : label(`look.${look}`),
  );
}

/** A go: its score, and what there is to know about it. */
function goView(go: Go, row: ResultRow, expected: Expected | undefined, activity: Activity, clock: Clock) {
  const skill = activity.aim.action;
  const notes = [
    go.score.match !== null && tell("result.match", { n: go.score.match }),
    go.timing === "sentLater" && label("go.sentLater"),
    go.timing === "tooLate" && label("go.tooLate"),
    go.beyond && label("go.beyond"),
    go.score.stopped && label("go.stopped"),
    ...setWords(activity, go.score),
    go.clockDoubt && label("go.clock"),
    go.unversioned && label("go.unversioned"),
  ].filter((note) => note !== false);
  const { corrected } = go;
  return {
    id: go.playId,
    value: go.score.value,
    unit: go.score.unit,
    shown: shown(go.score.value, go.score.unit),
    score: tellScore(go.score.value, go.score.unit, skill),
    at: when(go.startedAt, clock),
    working: sayWorking(go.score.working),
    counts: go.counts,
    gone: corrected?.score === null,
    best: go === row.best,
    others: go.setup.players > 1 ? tell("result.with", { n: go.setup.players - 1 }) : "",
    notes,
    looks: lookWords(go, expected, row),
    checked: row.checked.has(go.playId),
    paper:
      go.source === "paper"
        ? {
            typed: go.score.unit === "tenths" ? clockText(go.score.value) : String(go.score.value),
            finished: go.score.finished,
            stage: go.score.stage,
            correctionId: corrected?.id ?? "",
            state: label(corrected?.score === null ? "paper.gone" : corrected ? "paper.corrected" : "paper.from"),
            reason: corrected ? tell("result.corrected", { by: corrected.by, reason: corrected.reason }) : "",
            before: corrected ? tellScore(corrected.before.value, corrected.before.unit, skill) : "",
          }
        : null,
  };
}

function rowView(row: ResultRow, results: Results, clock: Clock) {
  const { activity, expected } = results;
  const band = expected[row.age];
  // Results from paper do not say how it felt.
  const last = row.goes.findLast((go) => go.source === "device");
  const chosen = chosenBy(activity, row);
  const stands = row.goes.filter((go) => go.corrected?.score !== null);
  return {
    cardId: row.cardId,
    childId: row.childId,
    child: row.child,
    age: row.age,
    level: activity.levels ? row.level : null,
    opened: row.openedAt !== null,
    played: stands.length > 0,
    goes: row.goes.map((go) => goView(go, row, band, activity, clock)),
    best: row.best
      ? {
          rank: row.best.score.rank,
          value: row.best.score.value,
          unit: row.best.score.unit,
          score: tellScore(row.best.score.value, row.best.score.unit, activity.aim.action),
          set: setWords(activity, row.best.score),
          alike: settingOf(row.best.score) === "",
        }
      : null,
    notices: noticesOf(row, band),
    begun: row.begun > 0 ? tell("result.begun", { n: row.begun }) : "",
    conflicts: row.conflicts > 0,
    felt: last ? [last.reflection.before, last.reflection.during, last.reflection.after] : [],
    chosen,
    answers: row.goes.flatMap((go) => go.reflection.answers.filter(Boolean)),
    says: last?.reflection.criteria ?? [],
    marks: Object.fromEntries(row.marks),
  };
}

/** What the fields of a score from paper need. */
function paperView({ possible, activity }: Results) {
  const { unit, least, most, values, stages } = possible;
  const show = (count: number) => (unit === "tenths" ? clockText(count) : String(count));
  return {
    unit: label(`unit.${unit}`, attemptWordsForTeacher(activity.aim.action)),
    range:
      values && values.length <= 12
        ? values.join(", ")
        : tell("result.range", { least: show(least), most: most === null ? "none" : show(most) }),
    finishes: unit !== "points",
    stages,
    reached: tell("result.reached", { most: stages - 1 }),
  };
}

/** Everything that the page of a result shows. */
export function viewOf(results: Results, clock: Clock) {
  const { activity, expected } = results;
  const skill = activity.aim.action;
  const held = Object.values(expected).flatMap(({ holds }) => (typeof holds === "number" ? [holds] : []));
  return {
    title: activity.title,
    unit: results.unit,
    unitWords: label(`unit.${results.unit}`, attemptWordsForTeacher(skill)),
    mark: results.mark,
    markWords: results.mark === null ? "" : tellScore(results.mark, results.unit, skill),
    expected: Object.fromEntries(
      Object.entries(expected).map(([age, { low, middle, high }]) => [age, { low, middle, high }]),
    ),
    /** How many of ten goes the likely ranges of these ages hold at least. */
    holds: held.length > 0 ? tell("strip.holds", { n: Math.round(10 * Math.min(...held)) }) : "",
    levels: activity.levels?.list.length ?? 0,
    criteria: activity.criteria.map(({ id, text }) => ({ id, text })),
    question: activity.answers
      ? { text: activity.question, right: activity.answers.right, answers: activity.answers.list }
      : null,
    asked: activity.answers ? "" : activity.question,
    notices: Object.fromEntries(NOTICES.map((notice) => [notice, label(`notice.${notice}`)])) as Record<Notice, string>,
    targets: byTarget(activity, results.rows),
    paper: paperView(results),
    rows: results.rows.map((row) => rowView(row, results, clock)),
  };
}

/** A match between two homes, in words. */
const oneMatch = ({ id, sides, joined }: HomeMatch, skill: Action) => ({
  id,
  winner: joined.winner,
  sides: sides.map(({ child, go, yes }) => ({
    child,
    words: go ? tellScore(go.score.value, go.score.unit, skill) : label(yes ? "pair.yes" : "pair.asked"),
  })),
  outcome:
    joined.state !== "played"
      ? label(`pair.${joined.state}`)
      : joined.winner === null
        ? label("pair.level")
        : tell("pair.won", { name: sides[joined.winner]!.child }),
  remove: tell("pair.takeBack", { names: sides.map(({ child }) => child).join(", ") }),
});
export type MatchView = ReturnType<typeof oneMatch>;

/** All matches of an assignment in words, with the children who are in none. */
export const matchView = (
  { can, matches, free }: { can: boolean; matches: readonly HomeMatch[]; free: { id: string; name: string }[] },
  skill: Action,
) => ({
  can,
  matches: matches.map((match) => oneMatch(match, skill)),
  free,
  pairAll: tell("pair.all", { count: free.length }),
});
