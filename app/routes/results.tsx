import { BellRing, CalendarX, Download, FastForward, Gauge, Printer } from "lucide-react";
import { useMemo } from "react";
import { Link } from "react-router";
import { closeAt } from "#server/assignments/change.ts";
import { remindToPlay } from "#server/assignments/checked.ts";
import { overviewFor } from "#server/assignments/overview.ts";
import { assignmentsFor } from "#server/assignments/results.ts";
import { type AssignmentState as State, stateOf } from "#server/assignments/state.ts";
import { inSteps } from "#server/breathe.ts";
import { NotAllowed } from "#server/problem.ts";
import { shellOf } from "#server/school/classes.ts";
import { answered, idOf } from "../answer.server.ts";
import { formOf, searchOf } from "../read.server.ts";
import { type OverviewView, overviewView } from "../results/overview.server.ts";
import { reminded } from "../results/reminded.ts";
import { ScoreBar } from "../results/score-bar.tsx";
import { teacherOf } from "../session.server.ts";
import { ButtonLink } from "../ui/button.tsx";
import { Menu, type MenuEntry } from "../ui/menu.tsx";
import { Empty, Page, PageHead } from "../ui/page.tsx";
import { Problems } from "../ui/problems.tsx";
import { type Column, exceptForView, type Filter, keepAll } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import { Done } from "../ui/toasts.tsx";
import type { Route } from "./+types/results";

export const meta: Route.MetaFunction = () => [{ title: "Results · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const shell = await shellOf(who);
  const now = new Date();
  const all = searchOf(request).has("all");
  const rows = await overviewFor(who, shell.zone, { now, within: all ? null : RECENT });
  const list = await inSteps(rows, (row) => overviewView(row, shell, now));
  const order: Record<State, number> = { open: 0, closed: 1, opens: 2, withdrawn: 3 };
  // What needs something comes first, then what is out, then the latest.
  const urgent = (row: OverviewView) => (row.needs.length > 0 ? 0 : 1 + order[row.state]);
  return {
    classes: shell.classes.map(({ id, name }) => ({ id, name })),
    all,
    rows: list.sort((a, b) => urgent(a) - urgent(b) || b.closesAt - a.closesAt),
  };
}

/** Without asking for more, the list holds what is open or closed in this many days. */
const RECENT = 35;

export const shouldRevalidate = exceptForView("state", "class", "week");

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const form = await formOf(request);
  const intent = form.text("intent");
  return answered(async () => {
    const chosen = form.all("chosen").map((id) => idOf(id, "assignment"));
    if (chosen.length === 0) throw NotAllowed.of("chosen", "Tick the activities first.");
    if (intent !== "close" && intent !== "remind")
      throw NotAllowed.of("intent", "This page cannot do that. Load it again.");
    const now = new Date();
    const { zone } = await shellOf(who);
    const open = (await assignmentsFor(who, zone)).filter(
      (row) => chosen.includes(row.id) && stateOf(row, now) === "open",
    );
    let count = 0;
    for (const { id } of open) {
      if (intent === "remind") count += await remindToPlay(who, id, null);
      else await closeAt(who, id, now);
    }
    const closed =
      open.length === 0
        ? "None of these is open."
        : `Closed ${open.length === 1 ? "1 activity" : `${open.length} activities`}.`;
    return { ok: true as const, problems: [], told: intent === "close" ? closed : reminded(count) };
  });
}

const STATE: Record<State, string> = { open: "open", opens: "opens later", closed: "closed", withdrawn: "unsent" };

export default function Results({ loaderData: d, actionData }: Route.ComponentProps) {
  const filters = useMemo((): Filter<OverviewView>[] => {
    const classes = {
      id: "class",
      label: "Class",
      options: [
        { id: "all", label: "all classes", keeps: keepAll },
        ...d.classes.map(({ id, name }) => ({ id, label: name, keeps: (row: OverviewView) => row.classId === id })),
      ],
    };
    return [
      ...(d.classes.length > 1 ? [classes] : []),
      {
        id: "state",
        label: "State",
        options: [
          { id: "all", label: "any", keeps: keepAll },
          { id: "needs", label: "needs a look", keeps: (row) => row.needs.length > 0 },
          ...(Object.keys(STATE) as State[]).map((state) => ({
            id: state,
            label: STATE[state],
            keeps: (row: OverviewView) => row.state === state,
          })),
        ],
      },
      {
        id: "week",
        label: "Sent",
        options: [
          { id: "all", label: "any time", keeps: keepAll },
          { id: "0", label: "in the last 7 days", keeps: (row) => row.weeksAgo === 0 },
          { id: "1", label: "the week before", keeps: (row) => row.weeksAgo === 1 },
          { id: "month", label: "in the last 4 weeks", keeps: (row) => row.weeksAgo < 4 },
        ],
      },
    ];
  }, [d.classes]);
  const problems = actionData && !actionData.ok ? actionData.problems : [];
  return (
    <Page>
      <PageHead title="Results" about="How every activity you sent is going">
        {d.classes.length > 0 && (
          <Menu
            label="Forecast accuracy"
            size="usual"
            entries={d.classes.map(({ id, name }) => ({
              label: `Forecast accuracy: ${name}`,
              to: `/classes/${id}/truth`,
              icon: <Gauge size={16} />,
            }))}
          >
            Forecast accuracy
          </Menu>
        )}
      </PageHead>
      <Done text={actionData?.ok ? actionData.told : ""} of={actionData} />
      <Problems list={problems} />
      <DataTable
        name="Results"
        noun={["activity", "activities"]}
        rows={d.rows}
        rowId={rowId}
        rowName={rowName}
        text={text}
        columns={COLUMNS}
        filters={filters}
        to={toResult}
        menu={menu}
        actions={[
          { label: "Remind", intent: "remind", icon: <BellRing size={15} aria-hidden="true" /> },
          { label: "Close now", intent: "close", icon: <CalendarX size={15} aria-hidden="true" /> },
          { label: "Export", get: "/results/csv", file: true, icon: <Download size={15} aria-hidden="true" /> },
        ]}
        extra={
          <Link to={d.all ? "/results" : "/results?all"} className="underline">
            {d.all ? "Only the last five weeks" : "Show earlier ones too"}
          </Link>
        }
        empty={
          <Empty>
            <p>Results appear here once you have sent an activity to a class.</p>
            <ButtonLink look="main" to="/activities">
              Choose an activity
            </ButtonLink>
          </Empty>
        }
      />
    </Page>
  );
}

const rowId = (row: OverviewView) => row.id;
const rowName = (row: OverviewView) => `${row.title}, ${row.className}`;
const text = (row: OverviewView) => `${row.title} ${row.pattern} ${row.className}`;
const toResult = (row: OverviewView) => `/results/${row.id}`;
const menu = (row: OverviewView): MenuEntry[] => [
  { label: "Next week", to: `/results/${row.id}/next`, icon: <FastForward size={16} /> },
  { label: "Print cards", to: `/results/${row.id}/sheets`, icon: <Printer size={16} /> },
  { label: "Export CSV", file: `/results/${row.id}/csv`, icon: <Download size={16} /> },
  ...(row.state === "open"
    ? [
        {
          label: "Remind who has not played",
          fields: { intent: "remind", chosen: row.id },
          icon: <BellRing size={16} />,
          apart: true,
        },
        { label: "Close now", fields: { intent: "close", chosen: row.id }, icon: <CalendarX size={16} /> },
      ]
    : []),
];

const STATE_ORDER: Record<State, number> = { open: 0, opens: 1, closed: 2, withdrawn: 3 };
const COLUMNS: Column<OverviewView>[] = [
  {
    id: "activity",
    head: "Activity",
    sort: (row) => row.title,
    cell: (row) => (
      <>
        <span className="font-head text-lg font-bold">{row.title}</span>
        <span className="block text-sm font-normal text-quiet">{row.pattern}</span>
      </>
    ),
  },
  { id: "class", head: "Class", sort: (row) => row.className, cell: (row) => row.className },
  {
    id: "state",
    head: "State",
    sort: (row) => STATE_ORDER[row.state],
    cell: (row) => (
      <span className={`tag ${row.state === "open" ? "border-teal" : "border-hair"}`}>{STATE[row.state]}</span>
    ),
  },
  {
    id: "opens",
    head: "Opens",
    sort: (row) => row.opensAt,
    highFirst: true,
    cell: (row) => row.opens,
    className: "whitespace-nowrap",
    off: true,
  },
  {
    id: "closes",
    head: "Closes",
    sort: (row) => row.closesAt,
    highFirst: true,
    cell: (row) => row.closes,
    className: "whitespace-nowrap",
  },
  {
    id: "opened",
    head: "Opened",
    figures: true,
    sort: (row) => row.opened / Math.max(1, row.cards),
    cell: (row) => `${row.opened} of ${row.cards}`,
    className: "whitespace-nowrap",
  },
  {
    id: "played",
    head: "Played",
    figures: true,
    sort: (row) => row.played / Math.max(1, row.cards),
    cell: (row) => <strong>{`${row.played} of ${row.cards}`}</strong>,
    className: "whitespace-nowrap",
  },
  {
    id: "score",
    head: "Median score",
    about: "The median of the children's best scores, on the range that was expected of them",
    sort: (row) => (row.score ? row.score.median / Math.max(0.1, row.score.middle) : null),
    cell: (row) => (row.score ? <ScoreBar score={row.score} /> : <span className="text-quiet">–</span>),
  },
  {
    id: "needs",
    head: "Needs a look",
    sort: (row) => (row.needs.length === 0 ? null : -row.needs.length),
    cell: (row) => (
      <span className="flex flex-wrap gap-1">
        {row.needs.map((words) => (
          <span key={words} className="rounded-sm border-l-4 border-coral bg-raised px-1.5 text-sm whitespace-nowrap">
            {words}
          </span>
        ))}
      </span>
    ),
  },
];
