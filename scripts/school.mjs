import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { join, resolve } from "node:path";
import { theDatabase } from "./lib/database.mjs";
import { ensure } from "./lib/install.mjs";
import { bin, root } from "./lib/root.mjs";
import { give } from "./lib/say.mjs";

/**
 * `npm run school -- FILE` adds the school that a file describes: to the database of this machine, which is started
 * if `npm start` does not run, or to the one named by DATABASE_URL.
 */
const file = process.argv[2] ?? give("Give the path of a school file; docs/running.md describes it.");
const path = resolve(process.env.INIT_CWD ?? process.cwd(), file);
if (!existsSync(path)) give(`${file}: there is no such file.`);
await ensure();
const database = await theDatabase();
const run = (script, args, quiet) =>
  spawnSync(bin("tsx"), [join(root, script), ...args], {
    cwd: root,
    stdio: ["ignore", quiet ? "ignore" : "inherit", "inherit"],
    env: { ...process.env, DATABASE_URL: database.url },
  }).status;
const status = run("server/db/setup.ts", [], true) || run("server/db/add-school-cli.ts", [path], false);
database.stop();
process.exitCode = status ?? 1;
