import { existsSync } from "node:fs";
import { resolve } from "node:path";
import { countRows, restore } from "./lib/backup.mjs";
import { theDatabase } from "./lib/database.mjs";
import { ensure } from "./lib/install.mjs";
import { give, say } from "./lib/say.mjs";
import { setUpDatabase } from "./lib/serve.mjs";

/**
 * `npm run restore -- FILE` reads a backup into an empty database, with its roles and rights. Does nothing if the
 * database is not empty.
 */
const file = resolve(process.env.INIT_CWD ?? process.cwd(), process.argv[2] ?? give("Give the path of a backup file."));
if (!existsSync(file)) give(`${file}: there is no such file.`);
await ensure("postgres");
const database = await theDatabase();
try {
  restore(database.url, file);
  setUpDatabase(database.url);
  const n = countRows(database.url);
  say(`Restored ${n.school} schools, ${n.child} children and ${n.result} results. Now: npm start`);
} catch (e) {
  process.stderr.write(`${e.message}\n`);
  process.exitCode = 1;
} finally {
  database.stop();
}
