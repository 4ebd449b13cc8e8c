import { ItemDrawing } from "../drawings/items.tsx";
import { type Column, keepAll } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import type { ChildView, ResultView } from "./view.server.ts";

/** How a child felt, 1 to 5, before, while playing and after. */
const FELT = ["before", "during", "after"] as const;
const feltOf = (row: ChildView, i: number) => row.felt[i] ?? null;

const feelings: Column<ChildView>[] = FELT.map((when, i) => ({
  id: when,
  head: `Felt ${when}`,
  about: "From 1 (very bad) to 5 (great), in the last go",
  sort: (row) => feltOf(row, i),
  figures: true,
  cell: (row) => feltOf(row, i) ?? "–",
}));
const child: Column<ChildView> = { id: "child", head: "Child", sort: (row) => row.child, cell: (row) => row.child };

/** What children answered: the question before play, the questions after it, and how it felt. */
export function Answers({ view }: { view: ResultView }) {
  const { question } = view;
  const columns: Column<ChildView>[] = [
    child,
    ...(question
      ? [
          {
            id: "chose",
            head: "Chose",
            sort: (row: ChildView) => row.chosen,
            cell: (row: ChildView) => (row.chosen === null ? "–" : question.answers[row.chosen]!.text),
          },
        ]
      : []),
    {
      id: "words",
      head: "In their words",
      sort: (row) => row.answers.join(" ") || null,
      cell: (row) => row.answers.map((answer, i) => <p key={`${i + 1}${answer}`}>{answer}</p>),
    },
    ...feelings,
  ];
  return (
    <>
      {question && <Question view={view} question={question} />}
      <DataTable
        name="Answers"
        noun={["child", "children"]}
        rows={view.rows}
        rowId={(row) => row.cardId}
        rowName={(row) => row.child}
        text={(row) => `${row.child} ${row.answers.join(" ")}`}
        filters={[
          {
            id: "show",
            label: "Show",
            options: [
              { id: "all", label: "everyone", keeps: keepAll },
              {
                id: "answered",
                label: "who answered",
                keeps: (row) => row.answers.length > 0 || row.chosen !== null || row.felt.some((felt) => felt !== null),
              },
            ],
          },
        ]}
        columns={columns}
        to={(row) => `/children/${row.childId}`}
        empty={null}
      />
    </>
  );
}

/** How many of a class chose which answer. The right one is marked. */
function Question({ view, question }: { view: ResultView; question: NonNullable<ResultView["question"]> }) {
  const all = view.rows.map((row) => row.chosen).filter((chosen) => chosen !== null);
  return (
    <section className="mb-6 max-w-3xl">
      <h2 className="mb-1 text-xl">{question.text}</h2>
      <p className="mb-1 text-sm text-quiet">
        Asked before the first go. {all.length} of {view.rows.length} answered.
      </p>
      <ul>
        {question.answers.map((answer, i) => {
          const count = all.filter((chosen) => chosen === i).length;
          return (
            <li key={`${answer.picture} ${answer.text}`} className="row-line flex items-center gap-3 py-1.5">
              <ItemDrawing item={answer.picture} size={32} />
              <span className={`w-56 ${question.right === i ? "font-bold" : ""}`}>
                {answer.text}
                {question.right === i && <span className="font-normal text-quiet"> ✓ the answer</span>}
              </span>
              <span className="h-3 grow bg-raised" aria-hidden="true">
                <span
                  className="drawn block h-3 bg-teal"
                  style={{ width: `${all.length === 0 ? 0 : (100 * count) / all.length}%` }}
                />
              </span>
              <span className="w-10 text-right font-semibold">{count}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
