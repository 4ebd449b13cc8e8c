import { spawn } from "node:child_process";
import { join, resolve } from "node:path";
import { ensure } from "./lib/install.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { root } from "./lib/root.mjs";
import { give, say } from "./lib/say.mjs";
import { prepareDatabase, startWeb } from "./lib/serve.mjs";

/** `npm start` leads from a fresh checkout to a school that you can sign in to. Safe to run again. */
const port = Number(process.env.PORT ?? 3000);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  give(`PORT: "${process.env.PORT}" is not a port number (1 to 65535).`);
/**
 * The demo school is for trying things out. It is loaded into the built-in database unless turned off, and into any
 * other only on request.
 */
const wished = process.env.YARD_DEMO?.toLowerCase();
const load = wished ? ["1", "on", "yes", "true"].includes(wished) : !process.env.DATABASE_URL;
const dataDir = resolve(process.env.YARD_DATA_DIR ?? join(root, ".yard-data"));

await ensure(...(process.env.DATABASE_URL ? [] : ["postgres"]));
// The build runs beside the start of the database and the loading, which do not need it.
const build = spawn(process.execPath, [join(root, "scripts/build.mjs"), "--if-changed"], { stdio: "inherit" });
const built = new Promise((done) => build.once("exit", done));
const database = process.env.DATABASE_URL
  ? { url: process.env.DATABASE_URL, stop: () => undefined }
  : await startPostgres(dataDir);
let web = null;
let stopping = false;
async function stop(code) {
  if (stopping) return;
  stopping = true;
  build.kill();
  await web?.stop();
  database.stop();
  process.exit(code);
}
process.on("SIGINT", () => void stop(0));
process.on("SIGTERM", () => void stop(0));

/**
 * A server that stops by itself is restarted after this delay, milliseconds. The delay doubles each time, and is
 * reset by a run longer than STEADY.
 */
const FIRST_REST = 500;
const LONGEST_REST = 30_000;
const STEADY = 60_000;

/** Serves, and starts the server again whenever it stops by itself. */
async function keepServing(env, rest = FIRST_REST) {
  const began = Date.now();
  web = await startWeb({ port, env, ...(process.env.YARD_LOG && { onLog: (text) => process.stdout.write(text) }) });
  const { child, errors } = web;
  child.once("exit", async (code, signal) => {
    if (stopping) return;
    const after = Date.now() - began > STEADY ? FIRST_REST : rest;
    say(`The server stopped by itself (${code ?? signal}) and is started again:\n${errors()}`);
    await new Promise((done) => setTimeout(done, after));
    for (let next = after; !stopping; next = Math.min(2 * next, LONGEST_REST)) {
      try {
        return await keepServing(env, Math.min(2 * next, LONGEST_REST));
      } catch (e) {
        say(e.message);
        await new Promise((done) => setTimeout(done, next));
      }
    }
  });
}

try {
  const { env, demo, setUp } = prepareDatabase(database.url, { weeks: process.env.YARD_DEMO_WEEKS !== "off", load });
  if ((await built) !== 0) await stop(1);
  await keepServing(env);
  say(`Teacher: ${web.url}/`);
  if (demo) {
    say(`Family: ${web.url}/f/${demo.family}`);
    say(`Sign in: ${demo.email} with the password ${demo.password}`);
  }
  if (setUp)
    say(`Nobody can sign in yet. Set up the first school with this link, which works once: ${web.url}/set-up/${setUp}`);
  say("Ctrl-C stops it, the database too.");
} catch (e) {
  process.stderr.write(`${e.message}\n`);
  await stop(1);
}
