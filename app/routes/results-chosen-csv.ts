import { resultsFor } from "#server/assignments/results.ts";
import { found, idOf } from "../answer.server.ts";
import { searchOf } from "../read.server.ts";
import { resultsCsv } from "../results/csv.server.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/results-chosen-csv";

/** The most activities in one file. */
const MAX = 60;

/** The results of the chosen activities, below each other in one file. */
export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const all = [];
  for (const id of searchOf(request).all("chosen").slice(0, MAX))
    all.push(await found(resultsFor(who, idOf(id, "assignment"))));
  return resultsCsv(all, "results");
}
