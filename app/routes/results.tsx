import { Link } from "react-router";
import { assignmentsFor } from "#server/assignments/results.ts";
import { shellOf } from "#server/school/classes.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Heads } from "../ui/heads.tsx";
import { when } from "../when.ts";
import type { Route } from "./+types/results";

export const meta: Route.MetaFunction = () => [{ title: "Results · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const { zone, classes } = await shellOf(who);
  const all = await assignmentsFor(who, zone);
  const pages = Math.max(1, Math.ceil(all.length / A_PAGE));
  const asked = Number(searchOf(request).get("page") ?? 1);
  const page = Number.isInteger(asked) && asked >= 1 ? Math.min(asked, pages) : 1;
  return {
    classes,
    page,
    pages,
    rows: all.slice((page - 1) * A_PAGE, page * A_PAGE).map((assignmentRow) => ({
      ...assignmentRow,
      opens: when(assignmentRow.opensAt, zone),
      closes: when(assignmentRow.closesAt, zone),
    })),
  };
}
/** How many assignments a page lists, newest first. */
const A_PAGE = 40;

export default function Results({ loaderData }: Route.ComponentProps) {
  return (
    <main className="mx-auto w-full max-w-6xl p-6">
      <h1 className="mb-2 text-3xl">Results</h1>
      <p className="mb-4 flex flex-wrap gap-x-4 text-sm">
        {loaderData.classes.map((c) => (
          <Link key={c.id} to={`/classes/${c.id}/truth`} className="inline-block min-h-6 underline">
            Forecast accuracy: {c.name}
          </Link>
        ))}
      </p>
      {loaderData.rows.length === 0 && <p>You have not sent any activities yet.</p>}
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <Heads of={["Activity", "Class", "Opens", "Closes", "Opened", "Played"]} />
          <tbody>
            {loaderData.rows.map((row) => (
              <tr key={row.id} className="row-line">
                <td className="py-3">
                  <Link
                    to={`/results/${row.id}`}
                    prefetch="intent"
                    className="font-head text-lg font-bold hover:underline"
                  >
                    {row.title}
                  </Link>
                  <span className="block text-sm text-quiet">{label(`pattern.${row.pattern}`)}</span>
                </td>
                <td>{row.className}</td>
                <td>{row.opens}</td>
                <td>{row.withdrawnAt ? "unsent" : row.closes}</td>
                <td>{tell("result.of", { n: row.opened, all: row.cards })}</td>
                <td className="font-bold">{tell("result.of", { n: row.played, all: row.cards })}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {loaderData.pages > 1 && (
        <nav aria-label={tell("results.pages")} className="mt-4 flex items-center gap-3">
          {loaderData.page > 1 && (
            <Link className="btn" to={`?page=${loaderData.page - 1}`}>
              {tell("results.newer")}
            </Link>
          )}
          <span>{tell("results.page", { n: loaderData.page, of: loaderData.pages })}</span>
          {loaderData.page < loaderData.pages && (
            <Link className="btn" to={`?page=${loaderData.page + 1}`}>
              {tell("results.older")}
            </Link>
          )}
        </nav>
      )}
    </main>
  );
}
