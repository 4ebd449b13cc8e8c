import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { postgresBin } from "./install.mjs";

const PROGRAMS = ["pg_dump", "pg_restore", "psql"];
/** Runs one of PostgreSQL's programs. Its error text becomes the error's message. */
function run(program, args) {
  if (!PROGRAMS.includes(program)) throw new Error(`${program}: not one of ${PROGRAMS.join(", ")}`);
  const bin = postgresBin();
  const done = spawnSync(bin ? join(bin, program) : program, args, { encoding: "utf8", maxBuffer: 1 << 28 });
  if (done.error) throw new Error(`${program} could not be run: ${done.error.message}`);
  if (done.status !== 0) throw new Error(`${program} failed: ${done.stderr.trim().split("\n").slice(0, 5).join(" ")}`);
  return done.stdout;
}

/** The number of rows of each of our tables, by its name. */
export function countRows(url) {
  const names = run("psql", [
    "-X",
    "-q",
    "-t",
    "-A",
    "-d",
    url,
    "-c",
    "select tablename from pg_tables where schemaname = 'public' order by 1",
  ])
    .split("\n")
    .filter(Boolean);
  if (names.length === 0) return {};
  const counts = names.map((name) => `select '${name}', count(*) from public."${name}"`).join(" union all ");
  const rows = run("psql", ["-X", "-q", "-t", "-A", "-F", " ", "-d", url, "-c", counts]).split("\n").filter(Boolean);
  return Object.fromEntries(rows.map((row) => [row.split(" ")[0], Number(row.split(" ")[1])]));
}

/**
 * Writes a whole database to one file: tables, rows and functions. Roles and rights are left out, because every start
 * creates them.
 */
export function backUp(url, file) {
  run("pg_dump", ["--format=custom", "--no-owner", "--no-privileges", `--file=${file}`, "-d", url]);
}

/** Reads such a file into an empty database, completely or not at all. */
export function restore(url, file) {
  const there = countRows(url);
  if (Object.keys(there).length > 0)
    throw new Error(
      `The database is not empty (${there.school ?? 0} schools, ${there.child ?? 0} children), so nothing was restored. Name an empty one: ` +
        "YARD_DATA_DIR=another-folder for the built-in database, or DATABASE_URL.",
    );
  // What a new database already has is left out.
  const list = run("pg_restore", ["--list", file]);
  if (!list.includes("TABLE DATA public play_event")) throw new Error("This is no backup of Daring Yard.");
  run("pg_restore", ["--no-owner", "--no-privileges", "--exit-on-error", "--single-transaction", "-d", url, file]);
}
