import Papa from "papaparse";
import { data, Form, Link, useNavigation } from "react-router";
import { guessColumns, MEANINGS, type Meaning, type Sheet, sheetOf, underOwnHeadings } from "#server/homes/columns.ts";
import { HOME_COLUMNS, LONGEST_FILE } from "#server/homes/csv.ts";
import { type Change, keepRows, type Looked, lookAtRows, type Planned } from "#server/homes/keep-rows.ts";
import { undoImport } from "#server/homes/undo-rows.ts";
import { NotAllowed } from "#server/problem.ts";
import { shellOf } from "#server/school/classes.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { formOf, jsonIn, searchOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink, DownloadLink } from "../ui/button.tsx";
import { Select, SelectField, TextField } from "../ui/field.tsx";
import { Options } from "../ui/options.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import { problemText } from "../ui/problem-text.ts";
import { Done, type Undo } from "../ui/toasts.tsx";
import type { Route } from "./+types/homes-import";

export const meta: Route.MetaFunction = () => [{ title: "Homes from a file · Daring Yard" }];

/** A small file to start from, in our own headings and for one of the teacher's classes. */
const sampleFor = (className: string): string =>
  Papa.unparse(
    [
      { class: className, child: "Ada B.", age: 7, home: "", left_handed: "no", support: "" },
      { class: className, child: "Ben C.", age: 8, home: "Ben's flat", left_handed: "yes", support: "" },
    ],
    { escapeFormulae: true },
  );

export async function loader({ request }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  const { classes } = await shellOf(who);
  return {
    columns: [...HOME_COLUMNS],
    classes: classes.map(({ id, name }) => ({ id, name })),
    classId: searchOf(request).get("class") ?? "",
    sample: `data:text/csv;charset=utf-8,${encodeURIComponent(sampleFor(classes[0]?.name ?? "Class 1"))}`,
  };
}

/** A column of the file as the teacher sees it: its heading, its first cells, and what it is taken to hold. */
interface ColumnOf {
  head: string;
  cells: string[];
  meaning: Meaning;
}
const FIRST_CELLS = 2;
const columnsOf = ({ heads, rows }: Sheet, meanings: readonly Meaning[]): ColumnOf[] =>
  heads.map((head, i) => ({
    head,
    cells: rows.slice(0, FIRST_CELLS).flatMap((row) => (row[i] ? [row[i].slice(0, 24)] : [])),
    meaning: meanings[i] ?? "skip",
  }));

const nothing = {
  problems: [] as { field: string; message: string }[],
  looked: null as Looked | null,
  text: "",
  shorten: false,
  columns: [] as ColumnOf[],
  group: "",
  told: "",
  undo: null as Undo | null,
  kept: false,
  ok: true,
};

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const form = await formOf(request);
  const intent = form.text("intent");
  const keep = intent === "keep";
  const shorten = form.text("shorten") === "yes";
  const group = form.text("group");
  let text = form.text("text");
  let columns: ColumnOf[] = [];
  try {
    if (intent === "undo")
      return { ...nothing, told: tell("csv.undone", { n: await undoImport(who, jsonIn(form.text("undo"))) }) };
    // What was previewed is saved. A file chosen since then is previewed first.
    const file = await form.file("file", LONGEST_FILE);
    const fresh = file !== null && !keep;
    if (fresh) text = file.text;
    if (text.trim() === "") throw NotAllowed.of("file", "Choose a file, or paste its rows.");
    const sheet = sheetOf(text);
    const chosen = sheet.heads.map((_, i) => MEANINGS.find((meaning) => meaning === form.text(`column ${i}`)));
    // The teacher's choice stands while the headings are those it was made for.
    const same = !fresh && form.text("heads") === sheet.heads.join("\t") && chosen.every(Boolean);
    const meanings = same ? (chosen as Meaning[]) : guessColumns(sheet.heads);
    columns = columnsOf(sheet, meanings);
    const { classes } = await shellOf(who);
    const rows = underOwnHeadings(sheet, meanings, classes.find(({ id }) => id === group)?.name ?? "");
    const saved = keep ? await keepRows(who, rows, shorten, form.text("seen")) : null;
    if (saved) {
      const { told, kept, undo } = saved;
      return {
        ...nothing,
        shorten,
        group,
        kept: true,
        told: tell("csv.kept", { ...kept }),
        undo: Object.values(undo).some((list) => list.length > 0)
          ? {
              fields: { intent: "undo", undo: JSON.stringify(undo) },
              action: "/homes/import",
              what: "this import",
            }
          : null,
        text: told.left,
        looked: { ...told, planned: [] },
      };
    }
    return { ...nothing, text, shorten, group, columns, looked: await lookAtRows(who, rows, shorten) };
  } catch (error) {
    if (!(error instanceof NotAllowed)) throw error;
    return data({ ...nothing, text, shorten, group, columns, ok: false, problems: error.problems }, { status: 422 });
  }
}

/** Describes a value of a file in words. */
function shown(v: unknown): string {
  if (v === null || v === undefined || v === "") return label("csv.nothing");
  if (v === true || v === false) return label(v ? "csv.yes" : "csv.no");
  if (typeof v !== "object") return String(v);
  const text = JSON.stringify(v).replace(/[{}"]/g, "").replaceAll(",", ", ").replaceAll(":", " ");
  return text.length > 90 ? `${text.slice(0, 90)} ...` : text;
}
const change = (givenChange: Change) =>
  `${label(`csv.${givenChange.field}`)}: ${shown(givenChange.from)} → ${shown(givenChange.to)}`;

/** The words for what a column can hold. */
const MEANING_WORDS: Record<Meaning, string> = {
  skip: "not used",
  class: "class",
  child: "name",
  first_name: "first name",
  last_name: "last name (only its initial is kept)",
  age: "age in years",
  home: "home",
  left_handed: "left-handed: yes or no",
  step_m: "step length in metres",
  space: "kind of space",
  length_m: "length of the space in metres",
  width_m: "width of the space in metres",
  floor: "floor",
  indoors: "indoors: yes or no",
  ceiling_m: "ceiling in metres",
  corners_m: "corners of the space",
  stands_m: "what stands in the space",
  slope: "slope",
  wind: "wind",
  players: "players",
  quiet: "must be quiet: yes or no",
  no_balls_indoors: "no balls indoors: yes or no",
  things: "household items",
  support: "note for teachers",
  child_id: "child_id from an export",
  home_id: "home_id from an export",
};

export default function HomesImport({ loaderData: d, actionData: a }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const looked = a?.looked;
  const planned = looked?.planned ?? [];
  const fresh = planned.filter((p) => p.isNew);
  const homes = planned.filter((p) => p.home?.isNew);
  const changed = planned.filter((p) => !p.isNew && (p.changes.length > 0 || p.home?.joins));
  const columns = a?.columns ?? [];
  return (
    <Page>
      <PageHead
        above={{ to: "/homes", name: "Homes" }}
        title="Import children and homes"
        about={
          <p className="max-w-prose">
            Any class list: save it as CSV, or copy its cells and paste them below. The order and the wording of the
            headings do not matter. Nothing is saved until you say yes.
          </p>
        }
      >
        <DownloadLink href={d.sample} download="class-list.csv">
          Download a sample
        </DownloadLink>
      </PageHead>
      <Done text={a?.told ?? ""} undo={a?.undo ?? null} of={a} />
      {a?.problems.map((problem) => (
        <p key={problem.message} role="alert" className="note problem mb-3 max-w-4xl">
          {problemText(problem.message)}
        </p>
      ))}
      {a?.kept && (
        <p className="mb-3">
          <ButtonLink to="/homes">See the homes</ButtonLink>
        </p>
      )}
      {looked && looked.bad.length > 0 && (
        <section className="mb-4" aria-live="polite">
          <h2 className="text-lg problem">{tell(a?.kept ? "csv.left" : "csv.bad", { n: looked.bad.length })}</h2>
          <ul className="text-sm">
            {looked.bad.map((b) => (
              <li key={b.line} className="row-line py-1">
                <strong>Row {b.line}</strong> {problemText(b.reason)}
              </li>
            ))}
          </ul>
        </section>
      )}
      <Form
        method="post"
        encType="multipart/form-data"
        className="grid max-w-4xl gap-3"
        // After a new preview, every field starts with its text.
        key={`${looked?.seen ?? "open"} ${a?.kept ? "kept" : ""} ${columns.map(({ meaning }) => meaning).join()}`}
      >
        {looked && planned.length > 0 && (
          <PlannedRows planned={planned} fresh={fresh} changed={changed} homes={homes} told={looked} busy={busy} />
        )}
        {columns.length > 0 && (
          <ColumnChoices columns={columns} problem={a?.problems.some((p) => p.field === "columns") ?? false} />
        )}
        {looked && looked.full.length > 0 && (
          <label className="flex items-start gap-2">
            <input type="checkbox" name="shorten" value="yes" className="mt-1" defaultChecked={a?.shorten} />
            <span>
              {tell("csv.shorten", { n: looked.full.length })}{" "}
              <span className="text-quiet">
                {looked.full
                  .slice(0, 5)
                  .map((f) => `${f.from} → ${f.to}`)
                  .join("; ")}
              </span>
            </span>
          </label>
        )}
        <div className="flex flex-wrap items-end gap-4">
          <TextField label="File" type="file" name="file" accept=".csv,.txt,.tsv,text/csv,text/plain" />
          <SelectField label="Class" hint="where no column names it" name="group" defaultValue={a?.group || d.classId}>
            <option value="">as in the file</option>
            <Options of={d.classes} />
          </SelectField>
        </div>
        <label className="field">
          <span>
            Or paste the rows <span className="hint">headings in the first line</span>
          </span>
          <textarea name="text" rows={8} className="font-mono text-sm" defaultValue={a?.text ?? ""} />
        </label>
        <Button type="submit" name="intent" value="look" className="justify-self-start" disabled={busy}>
          {busy ? "Checking …" : "Check file"}
        </Button>
      </Form>
      <details className="mt-4 max-w-prose text-sm text-quiet">
        <summary>Everything a file can hold</summary>
        <p>
          The name and the age are required, and the class unless you choose one here. Files exported from Homes have
          these columns: {d.columns.join(", ")}. A missing column changes nothing. See{" "}
          <Link to="/guide" className="underline">
            the guide
          </Link>
          .
        </p>
      </details>
    </Page>
  );
}

/** What each column of the file is taken to hold. The teacher changes it by choosing. */
const ColumnChoices = ({ columns, problem }: { columns: readonly ColumnOf[]; problem: boolean }) => (
  <details open={problem || columns.some(({ meaning }) => meaning === "skip") || undefined}>
    <summary className="font-semibold">Columns in your file</summary>
    <input type="hidden" name="heads" value={columns.map(({ head }) => head).join("\t")} />
    <ul className="mt-1">
      {columns.map(({ head, cells, meaning }, i) => (
        <li
          key={`${head} ${i + 1}`}
          className="row-line grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1.4fr)] items-center gap-3 py-1"
        >
          <strong className="truncate">{head || `Column ${i + 1}`}</strong>
          <span className="truncate text-sm text-quiet">{cells.join(", ")}</span>
          <Select
            name={`column ${i}`}
            defaultValue={meaning}
            aria-label={`Column ${head || i + 1} holds`}
            className="py-1 text-sm"
          >
            {(Object.keys(MEANING_WORDS) as Meaning[]).map((choice) => (
              <option key={choice} value={choice}>
                {MEANING_WORDS[choice]}
              </option>
            ))}
          </Select>
        </li>
      ))}
    </ul>
  </details>
);

/** How many rows of a kind are shown before the rest is opened. */
const SHOWN = 12;
function Rows({ title, rows, say }: { title: string; rows: readonly Planned[]; say: (planned: Planned) => string }) {
  if (rows.length === 0) return null;
  return (
    <details open={rows.length <= SHOWN}>
      <summary className="font-semibold">{title}</summary>
      <ul className="text-sm">
        {rows.map((row) => (
          <li key={row.line} className="row-line py-1">
            <strong>{row.child}</strong> <span className="text-quiet">{say(row)}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Shows what an import would add and change. */
const PlannedRows = ({
  planned,
  fresh,
  changed,
  homes,
  told,
  busy,
}: {
  planned: readonly Planned[];
  fresh: readonly Planned[];
  changed: readonly Planned[];
  homes: readonly Planned[];
  told: Looked;
  busy: boolean;
}) => (
  <section className="mb-2 grid gap-3">
    <h2 className="text-lg">{tell("csv.good", { n: planned.length })}</h2>
    <Rows title={tell("csv.new", { n: fresh.length })} rows={fresh} say={(givenPlanned) => givenPlanned.className} />
    <Rows
      title={tell("csv.changed", { n: changed.length })}
      rows={changed}
      say={(givenPlanned) =>
        [
          ...givenPlanned.changes.map(change),
          ...(givenPlanned.home?.joins ? [`${label("csv.livesIn")} ${givenPlanned.home.label}`] : []),
        ].join("; ")
      }
    />
    <Rows
      title={tell("csv.homes", { n: homes.length })}
      rows={homes}
      say={(givenPlanned) => givenPlanned.home!.label}
    />
    {fresh.length + changed.length + homes.length === 0 && <p>{label("csv.same")}</p>}
    <input type="hidden" name="seen" value={told.seen} />
    <Button type="submit" look="main" name="intent" value="keep" className="justify-self-start" disabled={busy}>
      {busy ? "Saving …" : tell("csv.keep", { n: planned.length })}
    </Button>
  </section>
);
