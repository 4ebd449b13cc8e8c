import { resultsFor } from "#server/assignments/results.ts";
import { found, idOf } from "../answer.server.ts";
import { searchOf } from "../read.server.ts";
import { resultsCsv } from "../results/csv.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/results-csv";

/** The results of an activity as CSV. With `chosen` in the address, only these cards. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const results = await found(resultsFor(who, idOf(params.id, "assignment")));
  const chosen = new Set(searchOf(request).all("chosen"));
  return resultsCsv([results], `results-${params.id.slice(0, 8)}`, chosen);
}
