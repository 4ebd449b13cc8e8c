import { data, Form, Link, useNavigation } from "react-router";
import { HOME_COLUMNS, LONGEST_FILE } from "#server/homes/csv.ts";
import {
  type Change,
  type KeptRows,
  keepRows,
  type Looked,
  lookAtRows,
  type Planned,
} from "#server/homes/keep-rows.ts";
import { NotAllowed } from "#server/problem.ts";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { formOf } from "../read.server.ts";
import { teacherOf } from "../session.server.ts";
import { problemText } from "../ui/problem-text.ts";
import type { Route } from "./+types/homes-import";

export const meta: Route.MetaFunction = () => [{ title: "Homes from a file · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  await teacherOf(request);
  return { columns: [...HOME_COLUMNS] };
}

const nothing = {
  problems: [] as { field: string; message: string }[],
  told: null as Looked | null,
  text: "",
  shorten: false,
  kept: null as KeptRows | null,
};

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const form = await formOf(request);
  const keep = form.text("intent") === "keep";
  const shorten = form.text("shorten") === "yes";
  let text = form.text("text");
  try {
    // What was previewed is saved. A file chosen since then is previewed first.
    const file = await form.file("file", LONGEST_FILE);
    if (file && !keep) text = file.text;
    if (text.trim() === "") throw NotAllowed.of("file", "Choose a file, or paste its rows.");
    const done = keep ? await keepRows(who, text, shorten, form.text("seen")) : null;
    if (done)
      return { ...nothing, shorten, kept: done.kept, text: done.told.left, told: { ...done.told, planned: [] } };
    return { ...nothing, text, shorten, told: await lookAtRows(who, text, shorten) };
  } catch (error) {
    if (!(error instanceof NotAllowed)) throw error;
    return data({ ...nothing, text, shorten, problems: error.problems }, { status: 422 });
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

export default function HomesImport({ loaderData, actionData: a }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  const told = a?.told;
  const planned = told?.planned ?? [];
  const fresh = planned.filter((p) => p.isNew);
  const homes = planned.filter((p) => p.home?.isNew);
  const changed = planned.filter((p) => !p.isNew && (p.changes.length > 0 || p.home?.joins));
  return (
    <main className="mx-auto w-full max-w-4xl p-6">
      <p className="mb-1 text-sm">
        <Link to="/homes" className="underline">
          Homes
        </Link>
      </p>
      <h1 className="mb-2 text-3xl">Import children and homes</h1>
      <p className="mb-2 max-w-prose text-quiet">
        A CSV file with one row for each child and home. A missing column changes nothing. Name children by first name
        and initial. Files exported here also carry an id for each child and home. Nothing is saved until you say yes.
      </p>
      <details className="mb-4 text-sm text-quiet">
        <summary>Columns</summary>
        <p>{loaderData.columns.join(", ")}. The first four are required.</p>
      </details>
      {a?.problems.map((problem) => (
        <p key={problem.message} role="alert" className="note problem mb-3">
          {problemText(problem.message)}
        </p>
      ))}
      {a?.kept && (
        <p role="status" className="note note-good mb-3">
          {tell("csv.kept", { ...a.kept })}{" "}
          <Link to="/homes" className="underline">
            See the homes
          </Link>
        </p>
      )}
      {told && told.bad.length > 0 && (
        <section className="mb-4" aria-live="polite">
          <h2 className="text-lg problem">{tell(a?.kept ? "csv.left" : "csv.bad", { n: told.bad.length })}</h2>
          <ul className="text-sm">
            {told.bad.map((b) => (
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
        className="grid gap-3"
        // After a new preview, every field starts with its text.
        key={`${told?.seen ?? "open"} ${a?.kept ? "kept" : ""}`}
      >
        {told && planned.length > 0 && (
          <PlannedRows planned={planned} fresh={fresh} changed={changed} homes={homes} told={told} busy={busy} />
        )}
        {told && told.full.length > 0 && (
          <label className="flex items-start gap-2">
            <input type="checkbox" name="shorten" value="yes" className="mt-1" defaultChecked={a?.shorten} />
            <span>
              {tell("csv.shorten", { n: told.full.length })}{" "}
              <span className="text-quiet">
                {told.full
                  .slice(0, 5)
                  .map((f) => `${f.from} → ${f.to}`)
                  .join("; ")}
              </span>
            </span>
          </label>
        )}
        <label className="field">
          <span>File</span>
          <input type="file" name="file" accept=".csv,text/csv" />
        </label>
        <label className="field">
          <span>
            Or paste the rows <span className="hint">column names in the first line</span>
          </span>
          <textarea name="text" rows={8} className="font-mono text-sm" defaultValue={a?.text ?? ""} />
        </label>
        <button type="submit" name="intent" value="look" className="btn justify-self-start" disabled={busy}>
          {busy ? "Checking …" : "Check file"}
        </button>
      </Form>
    </main>
  );
}

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
    <button type="submit" name="intent" value="keep" className="btn btn-main justify-self-start" disabled={busy}>
      {busy ? "Saving …" : tell("csv.keep", { n: planned.length })}
    </button>
  </section>
);
