import Papa from "papaparse";
import { settingOf } from "#core/records/rank.ts";
import { resultsFor } from "#server/assignments/results.ts";
import { found, idOf } from "../answer.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/results-csv";

/**
 * One row for each go, and one for each child without any. Times are in UTC, scores in the unit of the game. With
 * `chosen` in the address, only these cards.
 */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const results = await found(resultsFor(who, idOf(params.id, "assignment")));
  const chosen = new Set(new URL(request.url).searchParams.getAll("chosen"));
  const wanted = results.rows.filter((row) => chosen.size === 0 || chosen.has(row.cardId));
  const rows = wanted.flatMap((row): Record<string, string | number>[] => {
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
  // A cell that a spreadsheet could take for a formula is marked as text.
  return new Response(`\ufeff${Papa.unparse(rows, { escapeFormulae: true })}\r\n`, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": `attachment; filename="results-${params.id.slice(0, 8)}.csv"`,
    },
  });
}
