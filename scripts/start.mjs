import { spawn } from "node:child_process";
import { join, resolve } from "node:path";
import { ensure } from "./lib/install.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { root } from "./lib/root.mjs";
import { give, say } from "./lib/say.mjs";
import { prepareDatabase, startWeb } from "./lib/serve.mjs";

/** `npm start`: everything from a fresh checkout to a school you can sign in to. Safe to run again. */
const port = Number(process.env.PORT ?? 3000);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  give(`PORT: "${process.env.PORT}" is not a port number (1 to 65535).`);
const dataDir = resolve(process.env.YARD_DATA_DIR ?? join(root, ".yard-data"));

await ensure(...(process.env.DATABASE_URL ? [] : ["postgres"]));
// Built beside the database's own start and loading, which do without it.
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

try {
  const { env, demo } = prepareDatabase(database.url, { weeks: true });
  if ((await built) !== 0) await stop(1);
  web = await startWeb({ port, env, ...(process.env.YARD_LOG && { onLog: (text) => process.stdout.write(text) }) });
  web.child.once("exit", (code) => {
    if (stopping) return;
    say(`The server stopped by itself (${code}):\n${web.errors()}`);
    void stop(1);
  });
  say(`Teacher: ${web.url}/`);
  if (demo) {
    say(`Family: ${web.url}/f/${demo.family}`);
    say(`Sign in: ${demo.email} with the password ${demo.password}`);
  }
  say("Ctrl-C stops it, the database too.");
} catch (e) {
  process.stderr.write(`${e.message}\n`);
  await stop(1);
}
