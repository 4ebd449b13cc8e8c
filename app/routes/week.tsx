import { Link } from "react-router";
import { activitiesFor } from "#server/activities/activities.ts";
import { assignmentsFor } from "#server/assignments/results.ts";
import { homesFor } from "#server/homes/homes.ts";
import { classesFor, shellOf } from "#server/school/classes.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { teacherOf } from "../session.server.ts";
import { type Begun, FirstHour } from "../week/first-hour.tsx";
import { dayKey, when } from "../when.ts";
import type { Route } from "./+types/week";

const DAY = 86_400_000;
const DAYS = 7;
/** How long a closed assignment stays on this page. Results lists all of them. */
const SHOWN_AFTER = 14 * DAY;

export const meta: Route.MetaFunction = () => [{ title: "Week · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const { zone } = await shellOf(who);
  const now = Date.now();
  const days = Array.from({ length: DAYS }, (_, i) => new Date(now - (DAYS - 1 - i) * DAY)).map((date) => ({
    key: dayKey(date, zone),
    name: when(date, zone).slice(0, 3),
  }));
  const out = await assignmentsFor(who, zone);
  // How far the school has come matters only while no family has opened anything.
  const early = out.every((assignmentRow) => assignmentRow.opened === 0 && assignmentRow.played === 0);
  const begun = early ? await begunBy(who, out[0]?.id ?? null, out.length) : null;
  return {
    begun,
    days,
    out: out
      .filter((assignmentRow) => (assignmentRow.withdrawnAt ?? assignmentRow.closesAt).getTime() > now - SHOWN_AFTER)
      .map((assignmentRow) => ({
        ...assignmentRow,
        state: assignmentRow.withdrawnAt
          ? "withdrawn"
          : assignmentRow.opensAt.getTime() > now
            ? "opens"
            : assignmentRow.closesAt.getTime() > now
              ? "open"
              : "closed",
        opens: when(assignmentRow.opensAt, zone),
        closes: when(assignmentRow.closesAt, zone),
      })),
  };
}

async function begunBy(
  who: Awaited<ReturnType<typeof teacherOf>>,
  newest: string | null,
  sent: number,
): Promise<Begun> {
  const [classes, homes, shelf] = await Promise.all([classesFor(who), homesFor(who), activitiesFor(who)]);
  return {
    children: classes.reduce((sum, row) => sum + row.children.length, 0),
    homes: homes.filter((home) => home.homes.some((homeOfChild) => homeOfChild.answeredAt)).length,
    activities: shelf.length,
    sent,
    newest,
    classId: classes.find((row) => row.children.length > 0)?.id ?? null,
  };
}

export default function Week({ loaderData }: Route.ComponentProps) {
  const { days, out, begun } = loaderData;
  const open = out.filter((a) => a.state === "open");
  const later = out.filter((a) => a.state === "opens");
  const closed = out.filter((a) => a.state === "closed");
  const back = out.filter((a) => a.state === "withdrawn");
  return (
    <main className="mx-auto w-full max-w-6xl p-6">
      <div className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-2">
        <h1 className="grow text-3xl">This week</h1>
        <Link to="/how" className="btn btn-quiet">
          How it works
        </Link>
        <Link to="/outbox" className="btn btn-quiet">
          Outbox
        </Link>
      </div>
      {begun && <FirstHour begun={begun} />}
      <Sendings title="Out now" rows={open} days={days} />
      <Sendings title="Opens later" rows={later} days={days} />
      <Sendings title="Closed" rows={closed} days={days} />
      <Sendings title="Unsent" rows={back} days={days} />
    </main>
  );
}

/**
 * How many played, only opened, or did neither. A paper score counts as played even if the family never opened the
 * card.
 */
const counts = (a: { played: number; opened: number; cards: number }) => ({
  played: a.played,
  cards: a.cards,
  looked: Math.max(0, a.opened - a.played),
  unopened: a.cards - Math.max(a.opened, a.played),
});

type Row = Route.ComponentProps["loaderData"]["out"][number];

function Sendings({
  title,
  rows,
  days,
}: {
  title: string;
  rows: readonly Row[];
  days: readonly { key: string; name: string }[];
}) {
  if (rows.length === 0) return null;
  return (
    <section className="mb-8">
      <h2 className="mb-1 text-lg">{title}</h2>
      <ul>
        {rows.map((row) => {
          const most = Math.max(1, ...days.map((day) => row.byDay[day.key] ?? 0));
          return (
            <li
              key={row.id}
              className="row-line grid grid-cols-[minmax(0,1.2fr)_minmax(0,1.2fr)_190px_auto] items-center gap-6 py-4 max-md:grid-cols-1"
            >
              <div>
                <Link
                  to={`/results/${row.id}`}
                  prefetch="intent"
                  className="font-head text-xl font-bold hover:underline"
                >
                  {row.title}
                </Link>
                <p className="text-sm">
                  {row.className} <span className="text-quiet">· {label(`pattern.${row.pattern}`)}</span>
                </p>
                <p className="text-sm text-quiet">
                  {row.state === "withdrawn"
                    ? "unsent: families can't open it"
                    : row.state === "opens"
                      ? `opens ${row.opens}`
                      : `${row.state === "open" ? "closes" : "closed"} ${row.closes}`}
                </p>
              </div>
              <div>
                <p className="mb-1 text-sm">
                  {row.state === "withdrawn"
                    ? tell("week.unsent", { n: row.played })
                    : tell("week.played", counts(row))}
                </p>
                <div
                  hidden={row.state === "withdrawn"}
                  className="flex h-4 overflow-hidden rounded-sm border border-ink"
                  role="img"
                  aria-label={tell("week.played", counts(row))}
                >
                  <div className="bg-teal" style={{ width: `${(100 * row.played) / row.cards}%` }} />
                  <div className="bg-mustard" style={{ width: `${(100 * counts(row).looked) / row.cards}%` }} />
                </div>
              </div>
              <div
                className="flex h-14 items-end gap-1.5"
                role="img"
                aria-label={`Played by day: ${days.map((day) => `${day.name} ${row.byDay[day.key] ?? 0}`).join(", ")}`}
              >
                {days.map((day) => {
                  const count = row.byDay[day.key] ?? 0;
                  return (
                    <div
                      key={day.key}
                      className="grid w-5 justify-items-center gap-0.5 text-[11px] leading-none text-quiet"
                    >
                      <span className="text-ink">{count || ""}</span>
                      <span className="w-full bg-court" style={{ height: `${(28 * count) / most}px` }} />
                      {day.name.slice(0, 2)}
                    </div>
                  );
                })}
              </div>
              <Link to={`/results/${row.id}`} className="btn btn-quiet btn-small">
                Results
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
