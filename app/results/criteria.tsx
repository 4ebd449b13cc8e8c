import { useFetcher } from "react-router";
import { Button } from "../ui/button.tsx";
import { Select } from "../ui/field.tsx";
import { type Column, keepAll } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import type { ChildView, ResultView } from "./view.server.ts";

const MARKS = [
  ["notYet", "not yet"],
  ["nearly", "nearly"],
  ["yes", "yes"],
] as const;
const LETTERS: Readonly<Record<string, string>> = {
  n: "nearly",
  y: "yes",
  "0": "",
  "1": "notYet",
  "2": "nearly",
  "3": "yes",
};

/** Success criteria to mark, a column for each and a row for each child. */
export function Criteria({ view }: { view: ResultView }) {
  if (view.criteria.length === 0)
    return (
      <p className="py-4 text-quiet">
        This activity has no success criteria. Add some at Aim, and you can mark them here next time.
      </p>
    );
  const columns: Column<ChildView>[] = [
    { id: "child", head: "Child", sort: (row) => row.child, cell: (row) => row.child },
    {
      id: "best",
      head: "Best",
      sort: (row) => row.best?.rank ?? null,
      highFirst: true,
      cell: (row) => row.best?.score ?? "–",
    },
    ...view.criteria.map(
      (criterion): Column<ChildView> => ({
        id: criterion.id,
        head: criterion.text,
        className: "max-w-48",
        sort: (row) => {
          const at = MARKS.findIndex(([mark]) => mark === row.marks[criterion.id]);
          return at < 0 ? null : at;
        },
        highFirst: true,
        cell: (row) => <Mark row={row} criterion={criterion} />,
      }),
    ),
  ];
  return (
    <DataTable
      name="Criteria"
      noun={["child", "children"]}
      rows={view.rows}
      rowId={(row) => row.cardId}
      rowName={(row) => row.child}
      text={(row) => row.child}
      filters={[
        {
          id: "show",
          label: "Show",
          options: [
            { id: "all", label: "everyone", keeps: keepAll },
            {
              id: "unmarked",
              label: "who played and has no mark yet",
              keeps: (row) => row.played && view.criteria.some(({ id }) => !row.marks[id]),
            },
          ],
        },
      ]}
      columns={columns}
      extra={
        <span className="text-quiet">
          1, 2 and 3 mark; 0 clears; Enter goes to the next child. ✓ means the child ticked it themselves.
        </span>
      }
      empty={null}
    />
  );
}

/** Moves to the same criterion of another child. */
function moveTo(select: HTMLSelectElement, by: number): void {
  const all = document.querySelectorAll<HTMLSelectElement>(
    `select[data-criterion="${CSS.escape(select.dataset.criterion!)}"]`,
  );
  const column = [...all];
  column[column.indexOf(select) + by]?.focus();
}

function Mark({ row, criterion }: { row: ChildView; criterion: { id: string; text: string } }) {
  const fetcher = useFetcher();
  const pending = fetcher.formData?.get("mark");
  const now = pending === undefined || pending === null ? (row.marks[criterion.id] ?? "") : String(pending);
  const mark = (value: string) =>
    void fetcher.submit({ cardId: row.cardId, criterion: criterion.id, mark: value }, { method: "post" });
  return (
    <fetcher.Form method="post" className="flex items-center gap-1">
      <input type="hidden" name="cardId" value={row.cardId} />
      <input type="hidden" name="criterion" value={criterion.id} />
      <Select
        name="mark"
        value={now}
        onChange={(event) => mark(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter") {
            event.preventDefault();
            moveTo(event.currentTarget, event.shiftKey ? -1 : 1);
          } else if (LETTERS[event.key] !== undefined && !event.ctrlKey && !event.metaKey && !event.altKey) {
            event.preventDefault();
            mark(LETTERS[event.key]!);
          }
        }}
        data-criterion={criterion.id}
        aria-label={`${row.child}: ${criterion.text}`}
        className={`py-0.5 text-sm ${now === "yes" ? "border-teal font-bold" : ""}`}
      >
        <option value="">–</option>
        {MARKS.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Select>
      {row.says.includes(criterion.id) && (
        <span className="text-plum">
          <span aria-hidden="true">✓</span>
          <span className="sr-only">The child ticked it</span>
        </span>
      )}
      <noscript>
        <Button type="submit" size="small">
          Mark
        </Button>
      </noscript>
    </fetcher.Form>
  );
}
