import Papa from "papaparse";
import { settingOf } from "#core/records/rank.ts";
import type { Results } from "#server/assignments/results.ts";

type Line = Record<string, string | number>;

/**
 * One row for each go, and one for each child without any. Times are in UTC, scores in the unit of the game. With
 * `chosen`, only these cards.
 */
function linesOf(results: Results, chosen: ReadonlySet<string>): Line[] {
  const wanted = results.rows.filter((row) => chosen.size === 0 || chosen.has(row.cardId));
  return wanted.flatMap((row): Line[] => {
    const base = {
      class: results.className,
      child: row.child,
      age: row.age,
      activity: results.activity.title,
      opened: row.openedAt?.toISOString() ?? "",
    };
    const marks = Object.fromEntries(
      results.activity.criteria.map((criterion) => [`criterion: ${criterion.text}`, row.marks.get(criterion.id) ?? ""]),
    );
    const none = {
      go: "",
      score: "",
      match: "",
      unit: "",
      best: "",
      counts: "",
      corrected: "",
      source: "",
      timing: "",
      players: "",
      mode: "",
      set: "",
      sends: "",
      stage: "",
      finished: "",
      started: "",
      handed_in: "",
      felt_before: "",
      felt_during: "",
      felt_after: "",
      answer_1: "",
      answer_2: "",
      chosen: "",
      grown_up: "",
    };
    if (row.goes.length === 0) return [{ ...base, ...none, ...marks }];
    return row.goes.map((go, i) => ({
      ...base,
      go: i + 1,
      score: go.score.unit === "tenths" ? go.score.value / 10 : go.score.value,
      match: go.score.match ?? "",
      unit: go.score.unit === "tenths" ? "seconds" : go.score.unit,
      best: go === row.best ? "yes" : "",
      counts: go.counts ? "yes" : "no",
      corrected: go.corrected ? (go.corrected.score ? "yes" : "removed") : "",
      source: go.source,
      timing: go.timing,
      players: go.setup.players,
      mode: go.setup.mode,
      set: settingOf(go.score),
      sends: go.score.sends,
      stage: go.score.stage,
      finished: go.score.finished ? "yes" : "no",
      started: go.startedAt.toISOString(),
      handed_in: go.handedAt.toISOString(),
      felt_before: go.reflection.before ?? "",
      felt_during: go.reflection.during ?? "",
      felt_after: go.reflection.after ?? "",
      answer_1: go.reflection.answers[0] ?? "",
      answer_2: go.reflection.answers[1] ?? "",
      chosen: results.activity.answers?.list[go.reflection.chose ?? -1]?.text ?? "",
      grown_up: go.reflection.grownUp ? "yes" : "no",
      ...marks,
    }));
  });
}

/** Results as CSV, of one activity or of several below each other. Every criterion has a column of its own. */
export function resultsCsv(all: readonly Results[], name: string, chosen: ReadonlySet<string> = new Set()): Response {
  const lines = all.flatMap((results) => linesOf(results, chosen));
  const columns = [...new Set(lines.flatMap((line) => Object.keys(line)))];
  // A cell that a spreadsheet could take for a formula is marked as text.
  return new Response(`\ufeff${Papa.unparse(lines, { columns, escapeFormulae: true })}\r\n`, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": `attachment; filename="${name}.csv"`,
    },
  });
}
