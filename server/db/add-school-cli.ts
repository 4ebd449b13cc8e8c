import { readFileSync } from "node:fs";
import { basename } from "node:path";
import postgres from "postgres";
import { problemsOf } from "#core/formats/activity.ts";
import { passwordProblem } from "../auth/common-passwords.ts";
import { addSchool } from "./add-school.ts";
import { schoolFile } from "./school-file.ts";

/** Adds the school that a file describes. DATABASE_URL signs in as the owner; `scripts/school.mjs` provides both. */
const stop = (line: string): never => {
  process.stderr.write(`${line}\n`);
  process.exit(2);
};
const path = process.argv[2] ?? stop("Give the path of a school file; docs/running.md describes it.");
const url = process.env.DATABASE_URL ?? stop("DATABASE_URL: missing");
const name = basename(path);

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    return stop(`${name}: this is not JSON (${(error as Error).message.split("\n")[0]}).`);
  }
}
const read = schoolFile.safeParse(jsonOf(readFileSync(path, "utf8")));
if (read.success)
  for (const [i, t] of read.data.teachers.entries()) {
    const weak = await passwordProblem(t.password, [read.data.school, t.name, t.email]);
    if (weak) stop(`${name}: teachers.${i}.password: ${weak}`);
  }
if (!read.success) {
  const [first, ...more] = problemsOf(read.error);
  stop(`${name}: ${first!.field}: ${first!.message}${more.length > 0 ? ` (and ${more.length} more)` : ""}`);
} else {
  const sql = postgres(url, { max: 1, onnotice: () => undefined });
  try {
    await addSchool(sql, read.data);
    process.stdout.write(`${read.data.school} was added. Its teachers sign in with the passwords of the file.\n`);
  } catch (error) {
    const { code, constraint_name: of } = ((error as Error).cause ?? error) as {
      code?: string;
      constraint_name?: string;
    };
    if (code !== "23505") throw error;
    stop(
      `${name}: ${of?.includes("teacher") ? "a teacher with this e-mail address already exists" : "it already exists"}; nothing was added.`,
    );
  } finally {
    await sql.end();
  }
}
