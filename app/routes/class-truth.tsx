import { lazy, Suspense } from "react";
import { Link } from "react-router";
import { truthOfClass } from "#server/children/truth.ts";
import { tell } from "#words/tell.ts";
import { found, idOf } from "../answer.server.ts";
import { teacherOf } from "../session.server.ts";
import { Page, PageHead } from "../ui/page.tsx";
import { type Column, exceptForView } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import { useLookAgain } from "../ui/use-look-again.ts";
import type { Route } from "./+types/class-truth";

const TruthChart = lazy(() => import("../children/truth-chart.tsx"));

/** The reasons why games are left out, in the order in which they are listed. */
const LEFT_OUT = ["silent", "refused", "unreadable", "cardUnknown"] as const;

export const meta: Route.MetaFunction = () => [{ title: "Forecast accuracy · Daring Yard" }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return found(truthOfClass(await teacherOf(request), idOf(params.id, "class")));
}

export const shouldRevalidate = exceptForView();

const percent = (x: number | null) => Math.round(100 * (x ?? 0));
type Bin = Route.ComponentProps["loaderData"]["bins"][number];
const COLUMNS: Column<Bin>[] = [
  { id: "predicted", head: "Predicted", sort: (bin) => bin.forecast, cell: (bin) => `${percent(bin.forecast)}%` },
  { id: "actual", head: "Actual", sort: (bin) => bin.seen, cell: (bin) => `${percent(bin.seen)}%` },
  {
    id: "off",
    head: "Difference",
    about: "Actual less predicted, in percentage points",
    sort: (bin) => bin.seen - bin.forecast,
    cell: (bin) => {
      const off = percent(bin.seen) - percent(bin.forecast);
      return `${off > 0 ? "+" : ""}${off}`.replace("-", "−");
    },
  },
  { id: "tries", head: "Attempts", sort: (bin) => bin.tries, highFirst: true, cell: (bin) => bin.tries },
];

export default function ClassTruth({ loaderData: t }: Route.ComponentProps) {
  useLookAgain(t.working);
  const { worst } = t;
  return (
    <Page>
      <PageHead
        above={{ to: "/results", name: "Results" }}
        title="Forecast accuracy"
        about={
          <>
            {t.className}: {tell("truth.over", { goes: t.goes, children: t.children })}{" "}
            <Link to="/how" className="underline">
              How it works
            </Link>
          </>
        }
      />
      {t.working && (
        <p role="status" className="mb-3 text-sm text-quiet">
          Working out the latest games …
        </p>
      )}
      {t.inside === null ? (
        <p className="note">No results with single attempts have come back yet.</p>
      ) : (
        <>
          <div className="mb-4 grid gap-4 sm:grid-cols-2">
            <p className="note">
              <strong className="block text-2xl">{percent(t.inside)}%</strong>
              {tell("truth.inside", { meant: percent(t.meant) })}
            </p>
            <p className={`note ${(t.ofPossible ?? 0) > 0 ? "note-good" : ""}`}>
              <strong className="block text-2xl">
                {t.ofPossible === null ? tell("truth.few") : `${Math.max(0, percent(t.ofPossible))}%`}
              </strong>
              {tell(t.ofPossible === null ? "truth.fewWhy" : t.ofPossible > 0 ? "truth.better" : "truth.noBetter")}
            </p>
          </div>
          {worst && (
            <p className="note problem mb-4">
              {tell("truth.off", { forecast: percent(worst.forecast), seen: percent(worst.seen), tries: worst.tries })}
            </p>
          )}
          <Suspense fallback={<div className="h-[340px]" />}>
            <TruthChart bins={t.bins} />
          </Suspense>
          <DataTable
            name="Predicted and actual hits"
            noun={["range", "ranges"]}
            rows={t.bins}
            rowId={(bin) => String(bin.from)}
            rowName={(bin) => `${percent(bin.forecast)}% predicted`}
            columns={COLUMNS}
            empty={null}
          />
        </>
      )}
      {LEFT_OUT.some((word) => t.leftOut[word] > 0) && (
        <p className="mt-4 text-sm text-quiet">
          {LEFT_OUT.filter((word) => t.leftOut[word] > 0)
            .map((word) => tell(`truth.${word}`, { count: t.leftOut[word] }))
            .join(" ")}
        </p>
      )}
    </Page>
  );
}
