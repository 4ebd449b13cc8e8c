import { homesCsv } from "#server/homes/csv.ts";
import { searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/homes-csv";

/** The roster and homes of the teacher's classes, one row for each child and home. With `chosen`, only these children. */
export async function loader({ request }: Route.LoaderArgs) {
  const chosen = new Set(searchOf(request).all("chosen"));
  return new Response(await homesCsv(await teacherOf(request), chosen), {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": 'attachment; filename="homes.csv"',
    },
  });
}
