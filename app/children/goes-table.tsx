import { tell } from "#words/tell.ts";
import type { Column } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";

/** A go that was handed in, as the child's page lists it. */
export interface GoRow {
  id: string;
  assignmentId: string;
  /** When it began, in the school's way of writing and in milliseconds. */
  at: string;
  began: number;
  title: string;
  score: string;
  value: number;
  /** Attempts in the go. */
  sends: number;
  with: string;
}

const columns: Column<GoRow>[] = [
  {
    id: "at",
    head: "When",
    sort: (go) => go.began,
    cell: (go) => go.at,
    className: "whitespace-nowrap",
  },
  { id: "title", head: "Game", sort: (go) => go.title, cell: (go) => go.title },
  { id: "score", head: "Score", sort: (go) => go.value, highFirst: true, cell: (go) => <strong>{go.score}</strong> },
  { id: "attempts", head: "Attempts", sort: (go) => go.sends, figures: true, cell: (go) => go.sends },
  { id: "with", head: "Played with", sort: (go) => go.with, cell: (go) => go.with },
];

/** Every go of a child, the newest first. */
export const GoesTable = ({ goes }: { goes: readonly GoRow[] }) => (
  <section className="lg:col-span-2 print:hidden">
    <h2 className="mb-2 text-xl">{tell("child.goes", { count: goes.length })}</h2>
    <DataTable
      name="goes"
      rows={goes}
      rowId={(go) => go.id}
      rowName={(go) => `${go.title}, ${go.at}`}
      columns={columns}
      text={(go) => `${go.title} ${go.with}`}
      to={(go) => `/results/${go.assignmentId}`}
      noun={["go", "goes"]}
      empty="No results yet."
    />
  </section>
);
