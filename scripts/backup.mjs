import { existsSync } from "node:fs";
import { resolve } from "node:path";
import { backUp, countRows } from "./lib/backup.mjs";
import { theDatabase } from "./lib/database.mjs";
import { ensure } from "./lib/install.mjs";
import { give, say } from "./lib/say.mjs";

/** `npm run backup [-- FILE]` writes the whole database to one file, even while the server runs. */
const day = new Date().toISOString().slice(0, 16).replace(/[:T]/g, "-");
const file = resolve(process.env.INIT_CWD ?? process.cwd(), process.argv[2] ?? `yard-${day}.backup`);
if (existsSync(file)) give(`${file} is there already. Give another name.`);
await ensure("postgres");
const database = await theDatabase();
try {
  backUp(database.url, file);
  const n = countRows(database.url);
  say(`Backed up ${n.school} schools, ${n.child} children and ${n.result} results to ${file}`);
} catch (e) {
  process.stderr.write(`${e.message}\n`);
  process.exitCode = 1;
} finally {
  database.stop();
}
