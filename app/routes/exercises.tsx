import { Pencil, Trash2 } from "lucide-react";
import { data } from "react-router";
import { type Exercise, exercises, KINDS } from "#core/exercises/library.ts";
import type { OwnExercise } from "#core/exercises/own.ts";
import { deleteExercise, exercisesFor, saveExercise } from "#server/kit/exercises.ts";
import { label } from "#words/teacher.ts";
import { answered } from "../answer.server.ts";
import { fieldsOf, jsonIn, searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { ButtonLink } from "../ui/button.tsx";
import { ExerciseFigure } from "../ui/exercises.tsx";
import type { MenuEntry } from "../ui/menu.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import { Problems } from "../ui/problems.tsx";
import { type Column, exceptForView, type Filter, keepAll } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import { Done } from "../ui/toasts.tsx";
import type { Route } from "./+types/exercises";

export const meta: Route.MetaFunction = () => [{ title: "Short exercises · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  const own = await exercisesFor(await teacherOf(request));
  const saved = searchOf(request).get("saved");
  return { own, saved: own.find(({ id }) => id === saved)?.name ?? null };
}

export const shouldRevalidate = exceptForView("kind", "whose", "quiet");

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const fields = await fieldsOf(request);
  const done = (told: string, undo: OwnExercise | null = null) => ({ ok: true as const, problems: [], told, undo });
  return answered(async () => {
    switch (fields.intent) {
      case "delete":
        return done(
          "Removed from the list. Activities that use it keep their copy.",
          await deleteExercise(who, fields.id ?? ""),
        );
      case "putBack":
        await saveExercise(who, jsonIn(fields.exercise ?? ""), true);
        return done("Back in the list.");
      default:
        return data(
          {
            ok: false as const,
            problems: [{ field: "intent", message: "This page cannot do that. Load it again." }],
            told: "",
            undo: null,
          },
          { status: 400 },
        );
    }
  });
}

type Row = Exercise & { own: boolean };
const rowId = (row: Row) => row.id;
const rowName = (row: Row) => row.name;
const text = (row: Row) => [row.name, row.trains, label(`exercise.${row.kind}`), row.thing, ...row.cues].join(" ");
const dose = (at: 0 | 1 | 2, head: string, about: string): Column<Row> => ({
  id: `dose${at}`,
  head,
  about,
  figures: true,
  highFirst: true,
  sort: (row) => row.dose[at],
  cell: (row) => (row.dose[at] === 0 ? "–" : row.dose[at]),
});
const COLUMNS: Column<Row>[] = [
  {
    id: "name",
    head: "Exercise",
    sort: rowName,
    cell: (row) => (
      <span className="flex items-center gap-3">
        <ExerciseFigure poses={row.poses} width={72} />
        {row.name}
      </span>
    ),
  },
  {
    id: "kind",
    head: "Suitable for",
    sort: (row) => label(`exercise.${row.kind}`),
    cell: (row) => label(`exercise.${row.kind}`),
  },
  { id: "trains", head: "Trains", sort: (row) => row.trains || null, cell: (row) => row.trains || "–" },
  dose(0, "Up to 6", "How much a child of up to 6 years does"),
  dose(1, "7 to 9", "How much a child of 7 to 9 years does"),
  dose(2, "10 and over", "How much a child of 10 and over does"),
  {
    id: "unit",
    head: "Counted in",
    sort: (row) => row.unit,
    cell: (row) => label(`unit.dose.${row.unit}`),
  },
  {
    id: "room",
    head: "Room",
    about: "The room that it needs, metres across",
    figures: true,
    sort: (row) => row.room,
    cell: (row) => `${row.room} m`,
  },
  { id: "quiet", head: "Quiet", sort: (row) => (row.quiet ? 0 : 1), cell: (row) => (row.quiet ? "yes" : "no") },
  { id: "thing", head: "Needs", sort: (row) => row.thing, cell: (row) => row.thing ?? "–", off: true },
  {
    id: "whose",
    head: "From",
    sort: (row) => (row.own ? "your school" : "library"),
    cell: (row) => (row.own ? <span className="tag">your school</span> : "library"),
  },
];
const FILTERS: Filter<Row>[] = [
  {
    id: "kind",
    label: "Suitable for",
    options: [
      { id: "all", label: "anything", keeps: keepAll },
      ...KINDS.map((kind) => ({
        id: kind,
        label: label(`exercise.${kind}`),
        keeps: (row: Row) => row.kind === kind,
      })),
    ],
  },
  {
    id: "quiet",
    label: "Homes",
    options: [
      { id: "all", label: "all homes", keeps: keepAll },
      { id: "yes", label: "quiet homes", keeps: (row) => row.quiet },
    ],
  },
  {
    id: "whose",
    label: "From",
    options: [
      { id: "all", label: "everywhere", keeps: keepAll },
      { id: "own", label: "your school", keeps: (row) => row.own },
      { id: "library", label: "the library", keeps: (row) => !row.own },
    ],
  },
];
const menu = (row: Row): MenuEntry[] =>
  row.own
    ? [
        { label: `Change ${row.name}`, to: `/exercises/${row.id}`, icon: <Pencil size={16} /> },
        {
          label: `Delete ${row.name}`,
          fields: { intent: "delete", id: row.id },
          icon: <Trash2 size={16} />,
          apart: true,
        },
      ]
    : [];

/** How an exercise is done, and how it becomes easier or harder. */
const detail = (row: Row) => (
  <dl className="grid max-w-3xl grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
    {(
      [
        ["Cues", row.cues.filter(Boolean).join(". ")],
        ["Easier", row.easier],
        ["Harder", row.harder],
        ["Seated", row.seated],
        ["Needs", row.thing ?? ""],
      ] as const
    ).map(
      ([name, words]) =>
        words && (
          <div key={name} className="contents">
            <dt className="text-quiet">{name}</dt>
            <dd>{words}</dd>
          </div>
        ),
    )}
  </dl>
);

/** The short exercises of the library with their drawings, and the school's own first. */
export default function Exercises({ loaderData: { own, saved }, actionData: a }: Route.ComponentProps) {
  const rows: Row[] = [
    ...own.map((exercise) => ({ ...exercise, own: true })),
    ...exercises.map((exercise) => ({ ...exercise, own: false })),
  ];
  const undo = a?.ok && "undo" in a ? a.undo : null;
  return (
    <Page>
      <PageHead
        above={{ to: "/activities", name: "Activities" }}
        title="Short exercises"
        about="For warm-ups and cool-downs, after too many misses, between attempts, and for homes with nothing to play with. A child's care plan comes first."
      >
        <ButtonLink look="main" to="/exercises/new">
          Add exercise
        </ButtonLink>
      </PageHead>
      {a && !a.ok && <Problems list={a.problems} />}
      <Done
        text={a?.ok ? a.told : saved ? `${saved} saved. You can choose it in Cues.` : ""}
        undo={
          undo && {
            fields: { intent: "putBack", exercise: JSON.stringify(undo) },
            action: "/exercises",
            what: `deleting ${undo.name}`,
          }
        }
        of={a ?? saved}
      />
      <DataTable
        name="Short exercises"
        noun={["exercise", "exercises"]}
        rows={rows}
        rowId={rowId}
        rowName={rowName}
        text={text}
        columns={COLUMNS}
        filters={FILTERS}
        menu={menu}
        detail={detail}
        empty={null}
      />
    </Page>
  );
}
