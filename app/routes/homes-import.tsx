import { data, Form, Link } from "react-router";
import { HOME_COLUMNS, keepHomes, LONGEST_FILE, readHomesFor } from "#server/homes/csv.ts";
import { NotAllowed } from "#server/problem.ts";
import { teacherOf } from "../session.server.ts";
import type { Route } from "./+types/homes-import";

export const meta: Route.MetaFunction = () => [{ title: "Homes from a file · Daring Yard" }];

export async function loader({ request }: Route.LoaderArgs) {
  await teacherOf(request);
  return { columns: [...HOME_COLUMNS], most: LONGEST_FILE };
}

const nothing = {
  problems: [] as { field: string; message: string }[],
  good: [] as string[],
  bad: [] as { line: number; reason: string }[],
  text: "",
  kept: null as null | { added: number; changed: number; homes: number },
};

export async function action({ request }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const fields = await request.formData();
  const file = fields.get("file");
  const text =
    file instanceof File && file.size > 0
      ? file.size > LONGEST_FILE
        ? ""
        : await file.text()
      : String(fields.get("text") ?? "");
  try {
    if (file instanceof File && file.size > LONGEST_FILE)
      throw NotAllowed.of("file", `the file has ${file.size} bytes; ${LONGEST_FILE} are allowed`);
    if (text.trim() === "") throw NotAllowed.of("file", "choose a file, or paste its rows");
    const { good, bad } = await readHomesFor(who, text);
    if (fields.get("intent") === "keep") {
      const kept = await keepHomes(who, good);
      return { ...nothing, bad, kept };
    }
    return { ...nothing, text, bad, good: good.map((g) => `${g.child}, ${g.className}${g.home ? `, ${g.home}` : ""}`) };
  } catch (e) {
    if (!(e instanceof NotAllowed)) throw e;
    return data({ ...nothing, text, problems: e.problems }, { status: 422 });
  }
}

export default function HomesImport({ loaderData, actionData: a }: Route.ComponentProps) {
  return (
    <main className="mx-auto w-full max-w-4xl p-6">
      <p className="mb-1 text-sm">
        <Link to="/homes" className="underline">
          Homes
        </Link>
      </p>
      <h1 className="mb-2 text-3xl">Children and homes from a file</h1>
      <p className="mb-4 max-w-prose text-quiet">
        A CSV with one row a child and home. Known children are changed, others added; two children with the same home
        name share it. Nothing is kept before you say yes. Columns: {loaderData.columns.join(", ")}. The first four must
        be there.
      </p>
      {a?.problems.map((p) => (
        <p key={p.message} role="alert" className="note problem mb-3">
          {p.message}
        </p>
      ))}
      {a?.kept && (
        <p role="status" className="note note-good mb-3">
          {a.kept.added} children added, {a.kept.changed} changed, {a.kept.homes} new homes.{" "}
          <Link to="/homes" className="underline">
            See the homes
          </Link>
        </p>
      )}
      {a && a.bad.length > 0 && (
        <section className="mb-4">
          <h2 className="text-lg problem">
            {a.bad.length} {a.bad.length === 1 ? "row" : "rows"} cannot be kept
          </h2>
          <ul className="text-sm">
            {a.bad.map((b) => (
              <li key={b.line} className="row-line py-1">
                <strong>Line {b.line}</strong> {b.reason}
              </li>
            ))}
          </ul>
        </section>
      )}
      {a && a.good.length > 0 && (
        <section className="mb-4">
          <h2 className="text-lg">
            {a.good.length} {a.good.length === 1 ? "row is" : "rows are"} good
          </h2>
          <p className="mb-2 text-sm text-quiet">
            {a.good.slice(0, 12).join(" · ")}
            {a.good.length > 12 && ` and ${a.good.length - 12} more`}
          </p>
          <Form method="post">
            <textarea name="text" defaultValue={a.text} hidden readOnly />
            <button type="submit" name="intent" value="keep" className="btn btn-main">
              Yes, keep the {a.good.length} good {a.good.length === 1 ? "row" : "rows"}
            </button>
          </Form>
        </section>
      )}
      <Form method="post" encType="multipart/form-data" className="grid gap-3" key={a?.kept ? "kept" : "open"}>
        <label className="field">
          <span>File</span>
          <input type="file" name="file" accept=".csv,text/csv" />
        </label>
        <label className="field">
          <span>
            or paste its rows <span className="hint">the line of column names first</span>
          </span>
          <textarea name="text" rows={8} className="font-mono text-sm" defaultValue={a?.text ?? ""} />
        </label>
        <button type="submit" name="intent" value="look" className="btn justify-self-start">
          Look at it
        </button>
      </Form>
    </main>
  );
}
