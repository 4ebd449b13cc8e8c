import { readFileSync } from "node:fs";
import postgres from "postgres";
import { problemsOf } from "#core/formats/activity.ts";
import { addSchool } from "./add-school.ts";
import { schoolFile } from "./school-file.ts";

/** `npm run school -- FILE`, with DATABASE_URL signed in as the owner: adds the school that the file describes. */
const stop = (line: string): never => {
  process.stderr.write(`${line}\n`);
  process.exit(2);
};
const path = process.argv[2] ?? stop("Give the path of a school file; docs/running.md describes it.");
const url = process.env.DATABASE_URL ?? stop("DATABASE_URL: missing");
const read = schoolFile.safeParse(JSON.parse(readFileSync(path, "utf8")));
if (!read.success)
  stop(
    problemsOf(read.error)
      .map((p) => `${p.field}: ${p.message}`)
      .join("\n"),
  );
else {
  const sql = postgres(url, { max: 1 });
  await addSchool(sql, read.data);
  await sql.end();
  process.stdout.write(`${read.data.school} was added.\n`);
}
