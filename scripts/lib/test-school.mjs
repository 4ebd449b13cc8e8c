import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import postgres from "postgres";
import { ensureBuild } from "./build.mjs";
import { freePort } from "./port.mjs";
import { startPostgres } from "./postgres.mjs";
import { root } from "./root.mjs";
import { prepareDatabase, startWeb } from "./serve.mjs";

const base = join(root, ".yard-test", "school");
const made = join(base, "made.json");
/** After loading, all due work must be done within this time, milliseconds. */
const DONE_WITHIN = 240_000;

/**
 * The demo school for tests: loaded once for these sources and this day, with all due work done. Browser tests start
 * from a copy of it.
 */
export async function testSchool() {
  ensureBuild();
  const of = `${readFileSync(join(root, "build/source-hash"), "utf8")} ${new Date().toDateString()}`;
  if (existsSync(made) && JSON.parse(readFileSync(made, "utf8")).of === of) return base;
  rmSync(made, { force: true });
  const database = await startPostgres(base, { fresh: true, lasting: false });
  try {
    const ready = prepareDatabase(database.url);
    const web = await startWeb({ port: await freePort(), env: ready.env });
    const sql = postgres(database.url, { max: 1 });
    try {
      const until = Date.now() + DONE_WITHIN;
      while ((await sql`select 1 from job`).length > 0) {
        if (Date.now() > until) throw new Error("the demo school's jobs do not come to an end");
        await new Promise((resolve) => setTimeout(resolve, 200));
      }
    } finally {
      await sql.end();
      await web.stop();
    }
    database.stop();
    writeFileSync(made, JSON.stringify({ of, ...ready }));
  } catch (error) {
    database.stop();
    throw error;
  }
  return base;
}

/**
 * Starts a copy of that school in a folder of its own: its database, the environment of the web tier, and who is in
 * it.
 */
export async function startTestSchool(dir) {
  const like = await testSchool();
  const database = await startPostgres(dir, { like, lasting: false });
  const { env, demo } = JSON.parse(readFileSync(made, "utf8"));
  const app = new URL(env.YARD_APP_DATABASE_URL);
  app.port = new URL(database.url).port;
  return { database, env: { ...env, YARD_APP_DATABASE_URL: app.href }, demo };
}
