import Papa from "papaparse";
import { settingOf } from "#core/records/rank.ts";
import { resultsFor } from "#server/assignments/results.ts";
import { found, idOf } from "../answer.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/results-csv";

/** One row a go, and one for each child without any. Times in UTC, scores in the unit named. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const r = await found(resultsFor(who, idOf(params.id, "assignment")));
  const rows = r.rows.flatMap((row): Record<string, string | number>[] => {
    const base = {
      class: r.className,
      child: row.child,
      age: row.age,
      activity: r.activity.title,
      opened: row.openedAt?.toISOString() ?? "",
    };
    const marks = Object.fromEntries(
      r.activity.criteria.map((c) => [`criterion: ${c.text}`, row.marks.get(c.id) ?? ""]),
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
    return row.goes.map((g, i) => ({
      ...base,
      go: i + 1,
      score: g.score.unit === "tenths" ? g.score.value / 10 : g.score.value,
      match: g.score.match ?? "",
      unit: g.score.unit === "tenths" ? "seconds" : g.score.unit,
      best: g === row.best ? "yes" : "",
      counts: g.counts ? "yes" : "no",
      corrected: g.corrected ? (g.corrected.score ? "yes" : "removed") : "",
      source: g.source,
      timing: g.timing,
      players: g.setup.players,
      mode: g.setup.mode,
      set: settingOf(g.score),
      sends: g.score.sends,
      stage: g.score.stage,
      finished: g.score.finished ? "yes" : "no",
      started: g.startedAt.toISOString(),
      handed_in: g.handedAt.toISOString(),
      felt_before: g.reflection.before ?? "",
      felt_during: g.reflection.during ?? "",
      felt_after: g.reflection.after ?? "",
      answer_1: g.reflection.answers[0] ?? "",
      answer_2: g.reflection.answers[1] ?? "",
      chosen: r.activity.answers?.list[g.reflection.chose ?? -1]?.text ?? "",
      grown_up: g.reflection.grownUp ? "yes" : "no",
      ...marks,
    }));
  });
  // A cell that a spreadsheet could take for a formula is kept as text.
  return new Response(`\ufeff${Papa.unparse(rows, { escapeFormulae: true })}\r\n`, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": `attachment; filename="results-${params.id.slice(0, 8)}.csv"`,
    },
  });
}
