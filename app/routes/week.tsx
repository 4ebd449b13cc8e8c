import { Link } from "react-router";
import { activitiesFor } from "#server/activities/activities.ts";
import { type OverviewRow, overviewFor } from "#server/assignments/overview.ts";
import { stateOf } from "#server/assignments/state.ts";
import { waitingAnswers } from "#server/homes/answers.ts";
import { homesFor } from "#server/homes/homes.ts";
import { classesFor, shellOf } from "#server/school/classes.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { teacherOf } from "../session.server.ts";
import { ButtonLink } from "../ui/button.tsx";
import { Empty, Page, PageHead } from "../ui/page.tsx";
import { type Begun, FirstHour } from "../week/first-hour.tsx";
import { type Need, needsOf } from "../week/needs.server.ts";
import { dayKey, when } from "../when.ts";
import type { Route } from "./+types/week";

const DAY = 86_400_000;
const DAYS = 7;
/** How long a closed assignment stays on this page. Results lists all of them. */
const SHOWN_AFTER = 14 * DAY;
/** Only what is open or closed in this many days is looked through, a day more than is shown. */
const DAYS_LOOKED = 15;
/** How many things that need the teacher are shown before the rest is opened. */
const FIRST_NEEDS = 6;

export const meta: Route.MetaFunction = () => [{ title: "Week · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const shell = await shellOf(who);
  const { zone } = shell;
  const now = new Date();
  const days = Array.from({ length: DAYS }, (_, i) => new Date(now.getTime() - (DAYS - 1 - i) * DAY)).map((date) => ({
    key: dayKey(date, zone),
    name: when(date, zone).slice(0, 3),
  }));
  const [all, answers] = await Promise.all([
    overviewFor(who, zone, { now, within: DAYS_LOOKED }),
    Promise.all(
      shell.classes.map(async ({ id, name }) => ({
        classId: id,
        className: name,
        count: (await waitingAnswers(who, id)).length,
      })),
    ),
  ]);
  // How far the school has come matters only while no family has opened anything.
  const early = all.every((row) => row.opened === 0 && row.played === 0);
  return {
    begun: early ? await begunBy(who, all[0]?.id ?? null, all.length) : null,
    days,
    needs: needsOf(
      all,
      answers.filter(({ count }) => count > 0),
      shell,
      now,
    ),
    out: all
      .filter((row) => (row.withdrawnAt ?? row.closesAt).getTime() > now.getTime() - SHOWN_AFTER)
      .map((row) => outView(row, shell, now)),
  };
}

/**
 * How many played, only opened, or did neither. A paper score counts as played even if the family never opened the
 * card.
 */
const counts = (row: { played: number; opened: number; cards: number }) => ({
  played: row.played,
  cards: row.cards,
  looked: Math.max(0, row.opened - row.played),
  unopened: row.cards - Math.max(row.opened, row.played),
});

/** What the page shows of an assignment, in words. */
function outView(row: OverviewRow, shell: { zone: string; locale: string }, now: Date) {
  const state = stateOf(row, now);
  const { played, looked, cards } = counts(row);
  return {
    id: row.id,
    title: row.title,
    className: row.className,
    pattern: label(`pattern.${row.pattern}`),
    state,
    times:
      state === "withdrawn"
        ? "unsent: families can't open it"
        : state === "opens"
          ? `opens ${when(row.opensAt, shell)}`
          : `${state === "open" ? "closes" : "closed"} ${when(row.closesAt, shell)}`,
    words: state === "withdrawn" ? tell("week.unsent", { n: played }) : tell("week.played", counts(row)),
    playedShare: played / Math.max(1, cards),
    lookedShare: looked / Math.max(1, cards),
    byDay: row.byDay,
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

type Out = Route.ComponentProps["loaderData"]["out"][number];
type Days = Route.ComponentProps["loaderData"]["days"];

export default function Week({ loaderData }: Route.ComponentProps) {
  const { days, out, begun, needs } = loaderData;
  const of = (state: Out["state"]) => out.filter((row) => row.state === state);
  const open = of("open");
  const later = of("opens");
  return (
    <Page>
      <PageHead title="This week">
        <ButtonLink to="/outbox">Outbox</ButtonLink>
        <ButtonLink look="quiet" to="/how">
          How it works
        </ButtonLink>
      </PageHead>
      {begun && <FirstHour begun={begun} />}
      <NeedsYou needs={needs} />
      {!begun && open.length + later.length === 0 && (
        <Empty>
          <p>Nothing is out now. What you send appears here, with who has played.</p>
          <ButtonLink look="main" to="/activities">
            Choose an activity
          </ButtonLink>
        </Empty>
      )}
      <Sendings title="Out now" rows={open} days={days} />
      <Sendings title="Opens later" rows={later} days={days} />
      <Sendings title="Closed" rows={of("closed")} days={days} />
      <Sendings title="Unsent" rows={of("withdrawn")} days={days} />
    </Page>
  );
}

/** What needs the teacher, most urgent first, each with the one thing to do. Hidden while there is nothing. */
function NeedsYou({ needs }: { needs: readonly Need[] }) {
  if (needs.length === 0) return null;
  const [first, rest] = [needs.slice(0, FIRST_NEEDS), needs.slice(FIRST_NEEDS)];
  return (
    <section className="mb-8" aria-labelledby="needs-you">
      <h2 id="needs-you" className="mb-1 text-xl">
        Needs you
      </h2>
      <NeedList needs={first} />
      {rest.length > 0 && (
        <details className="mt-1">
          <summary className="min-h-8 py-1 font-semibold text-teal">
            {rest.length === 1 ? "1 more" : `${rest.length} more`}
          </summary>
          <NeedList needs={rest} />
        </details>
      )}
    </section>
  );
}

const NeedList = ({ needs }: { needs: readonly Need[] }) => (
  <ul className="border-t-2 border-ink">
    {needs.map((need) => (
      <li key={need.id} className="row-line flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
        <span aria-hidden="true" className="size-2.5 shrink-0 rounded-full bg-mustard" />
        <span className="min-w-60 flex-1">
          <span className="font-semibold">{need.about}</span>
          <span className="block text-[0.95rem]">{need.text}</span>
        </span>
        <ButtonLink size="small" to={need.to} aria-label={`${need.action}: ${need.about}`}>
          {need.action}
        </ButtonLink>
      </li>
    ))}
  </ul>
);

function Sendings({ title, rows, days }: { title: string; rows: readonly Out[]; days: Days }) {
  if (rows.length === 0) return null;
  return (
    <section className="mb-8">
      <h2 className="mb-1 text-xl">{title}</h2>
      <ul className="border-t-2 border-ink">
        {rows.map((row) => (
          <OneSending key={row.id} row={row} days={days} />
        ))}
      </ul>
    </section>
  );
}

function OneSending({ row, days }: { row: Out; days: Days }) {
  const most = Math.max(1, ...days.map((day) => row.byDay[day.key] ?? 0));
  return (
    <li className="row-line grid grid-cols-[minmax(0,1.2fr)_minmax(0,1.2fr)_190px] items-center gap-6 py-3 max-md:grid-cols-1 max-md:gap-2">
      <div>
        <Link
          to={`/results/${row.id}`}
          prefetch="intent"
          className="font-head text-lg font-bold hover:underline"
          aria-label={`Results for ${row.title}, ${row.className}`}
        >
          {row.title}
        </Link>
        <p className="text-sm">
          {row.className} <span className="text-quiet">· {row.pattern}</span>
        </p>
        <p className="text-sm text-quiet">{row.times}</p>
      </div>
      <div>
        <p className="mb-1 text-sm">{row.words}</p>
        <div
          hidden={row.state === "withdrawn"}
          className="drawn flex h-4 overflow-hidden rounded-sm border border-ink"
          aria-hidden="true"
        >
          <div className="bg-teal" style={{ width: `${100 * row.playedShare}%` }} />
          <div className="bg-mustard" style={{ width: `${100 * row.lookedShare}%` }} />
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
            <div key={day.key} className="grid w-5 justify-items-center gap-0.5 text-[11px] leading-none text-quiet">
              <span className="text-ink">{count || ""}</span>
              <span className="drawn w-full bg-court" style={{ height: `${(28 * count) / most}px` }} />
              {day.name.slice(0, 2)}
            </div>
          );
        })}
      </div>
    </li>
  );
}
