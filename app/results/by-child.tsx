import { BellRing, CircleUserRound, Download, Gauge, House, Printer } from "lucide-react";
import { useMemo } from "react";
import { useFetcher } from "react-router";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { problemText } from "../ui/problem-text.ts";
import { type Column, type Filter, keepAll } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import { ChildDetail } from "./child-detail.tsx";
import { NOTICES } from "./notice.ts";
import type { ChildView, GoView, ResultView } from "./view.server.ts";

const rowId = (row: ChildView) => row.cardId;
const rowName = (row: ChildView) => row.child;
const text = (row: ChildView) => `${row.child} ${row.age}`;
/** What needs the teacher comes first: goes to check, then what went badly, then who has not played. */
const URGENCY = ["look", "under", "none", "stopped", "opened", "unopened"] as const;
const urgency = (row: ChildView): number =>
  Math.min(URGENCY.length, ...row.notices.map((notice) => URGENCY.indexOf(notice)));
const NOUN = ["child", "children"] as const;

/** A row for each child: the best go, all goes, what stands out; with a menu, and actions for all that are chosen. */
export function ByChild({
  view,
  assignment,
  orderId,
  state,
}: {
  view: ResultView;
  assignment: string;
  orderId: string;
  state: "opens" | "open" | "closed" | "withdrawn";
}) {
  const columns = useMemo(() => columnsOf(view), [view]);
  const filters = useMemo((): Filter<ChildView>[] => {
    const options = NOTICES.map((notice) => ({
      id: notice,
      label: view.notices[notice],
      keeps: (row: ChildView) => row.notices.includes(notice),
    }));
    return [{ id: "show", label: "Show", options: [{ id: "all", label: "everyone", keeps: keepAll }, ...options] }];
  }, [view]);
  const rows = useMemo(() => [...view.rows].sort((a, b) => urgency(a) - urgency(b)), [view]);
  const open = state === "open" || state === "opens";
  return (
    <DataTable
      name="Children"
      noun={NOUN}
      rows={rows}
      rowId={rowId}
      rowName={rowName}
      text={text}
      columns={columns}
      filters={filters}
      detail={(row) => <ChildDetail row={row} view={view} assignment={assignment} orderId={orderId} open={open} />}
      menu={(row) => [
        { label: "Progress", to: `/children/${row.childId}`, icon: <Gauge size={16} /> },
        { label: "Home and link", to: `/homes/${row.childId}`, icon: <House size={16} /> },
        {
          label: `Print the card for ${row.child}`,
          to: `/results/${assignment}/sheets?chosen=${row.cardId}`,
          icon: <Printer size={16} />,
        },
        ...(open && !row.played
          ? [
              {
                label: "Remind",
                fields: { intent: "remind", chosen: row.cardId },
                icon: <BellRing size={16} />,
                apart: true,
              },
            ]
          : []),
      ]}
      actions={[
        ...(open ? [{ label: "Remind", intent: "remind", icon: <BellRing size={15} aria-hidden="true" /> }] : []),
        {
          label: "Print cards",
          get: `/results/${assignment}/sheets`,
          icon: <Printer size={15} aria-hidden="true" />,
        },
        ...(view.levels > 0
          ? [
              {
                label: "Give level",
                intent: "levels",
                icon: <CircleUserRound size={15} aria-hidden="true" />,
                field: <LevelChoice count={view.levels} label="Level for those chosen" name="level" />,
              },
            ]
          : []),
        {
          label: "Export",
          get: `/results/${assignment}/csv`,
          file: true,
          icon: <Download size={15} aria-hidden="true" />,
        },
      ]}
      empty={<p className="py-4 text-quiet">No child has a card for this activity.</p>}
    />
  );
}

function columnsOf(view: ResultView): Column<ChildView>[] {
  return [
    { id: "child", head: "Child", sort: rowName, cell: rowName, className: "whitespace-nowrap" },
    { id: "age", head: "Age", sort: (row) => row.age, cell: (row) => row.age, figures: true },
    ...(view.levels > 0
      ? [
          {
            id: "level",
            head: "Level",
            sort: (row: ChildView) => row.level,
            cell: (row: ChildView) => (row.level === null ? "–" : <LevelOf row={row} count={view.levels} />),
          },
        ]
      : []),
    {
      id: "best",
      head: "Best",
      about: "The best go that counts",
      sort: (row) => row.best?.rank ?? null,
      highFirst: true,
      className: "whitespace-nowrap",
      cell: (row) =>
        row.best ? (
          <>
            <strong>{row.best.score}</strong>
            {row.best.set.map((words) => (
              <span key={words} className="block text-sm text-quiet">
                {words}
              </span>
            ))}
          </>
        ) : (
          "–"
        ),
    },
    {
      id: "goes",
      head: "Goes",
      about: "All goes, in the order played. A dashed one does not count.",
      sort: (row) => row.goes.length,
      highFirst: true,
      cell: (row) => <Goes row={row} />,
    },
    {
      id: "expected",
      head: "Expected",
      about: "The range that most children of the age reach",
      sort: (row) => view.expected[row.age]?.middle ?? null,
      cell: (row) => {
        const band = view.expected[row.age];
        const show = (value: number) => (view.unit === "tenths" ? value / 10 : value);
        if (!band) return "–";
        return band.low === band.high ? show(band.low) : `${show(band.low)}–${show(band.high)}`;
      },
    },
    {
      id: "notices",
      head: "Needs a look",
      sort: (row) => (row.notices.length === 0 ? null : urgency(row)),
      cell: (row) => (
        <span className="flex flex-wrap gap-1">
          {row.notices.map((notice) => (
            <span key={notice} className="rounded-sm border-l-4 border-coral bg-raised px-1.5 text-sm">
              {view.notices[notice]}
            </span>
          ))}
          {row.conflicts && <span className="tag border-coral">two versions arrived</span>}
        </span>
      ),
    },
    {
      id: "felt",
      head: "Felt",
      about: "How it felt before, while playing and after, from 1 (very bad) to 5 (great)",
      sort: (row) => row.felt[2] ?? null,
      highFirst: true,
      cell: (row) => row.felt.map((felt) => felt ?? "–").join(" "),
      off: true,
    },
  ];
}

const Goes = ({ row }: { row: ChildView }) => (
  <span className="flex flex-wrap gap-1.5">
    {row.goes.map((go) => (
      <GoTag key={go.id} go={go} />
    ))}
    {row.begun && <span className="tag border-dashed border-hair font-normal">{row.begun}</span>}
  </span>
);

const GoTag = ({ go }: { go: GoView }) => (
  <span className={`tag ${go.counts ? "border-hair" : "border-coral border-dashed"}`} title={`${go.at}, ${go.working}`}>
    <span className={go.gone ? "line-through" : ""}>{go.shown}</span>
    {go.paper && <span className="font-normal text-quiet"> {go.paper.state}</span>}
    {go.others && <span className="font-normal"> {go.others}</span>}
    {go.notes.length > 0 && <span className="font-normal text-quiet"> {go.notes.join(", ")}</span>}
  </span>
);

const LevelChoice = ({
  count,
  label,
  ...props
}: { count: number; label: string } & React.ComponentProps<typeof Select>) => (
  <Select aria-label={label} className="py-0.5 text-sm" {...props}>
    {Array.from({ length: count }, (_, i) => (
      <option key={`level${i + 1}`} value={i}>
        {i + 1}
      </option>
    ))}
  </Select>
);

/** Shows and changes a child's level. A change makes the card again unless the child has started it. */
function LevelOf({ row, count }: { row: ChildView; count: number }) {
  const fetcher = useFetcher<{ problems?: { message: string }[] }>();
  return (
    <fetcher.Form method="post" className="inline-flex items-center gap-1">
      <input type="hidden" name="intent" value="level" />
      <input type="hidden" name="childId" value={row.childId} />
      <LevelChoice
        count={count}
        label={`Level of ${row.child}`}
        name="level"
        defaultValue={row.level!}
        onChange={(event) => void fetcher.submit(event.currentTarget.form)}
      />
      <noscript>
        <Button type="submit" size="small">
          Save
        </Button>
      </noscript>
      {(fetcher.data?.problems ?? []).map(({ message }) => (
        <span key={message} role="alert" className="problem">
          {problemText(message)}
        </span>
      ))}
    </fetcher.Form>
  );
}
