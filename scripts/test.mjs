import { readdirSync } from "node:fs";
import { join } from "node:path";
import { ensureChromium, ensureNginx, ensurePackages, ensurePostgres } from "./lib/install.mjs";
import { root } from "./lib/root.mjs";
import { check, closingLine, tests, types } from "./lib/steps.mjs";
import { testSchool } from "./lib/test-school.mjs";

/** About how long a file of browser tests takes, seconds, so that the parts that they are dealt into are alike; else USUAL. */
const TAKES = {
  variants: 240,
  games: 230,
  teacher: 190,
  homes: 150,
  yard: 150,
  access: 140,
  ways: 110,
  family: 90,
  challenge: 90,
  together: 70,
  device: 60,
  database: 50,
};
const USUAL = 35;
/** Most of their time is waiting, and so more run side by side than there are cores. */
const PARTS = 3;
/** These measure times, and run by themselves. */
const ALONE = ["operating", "start"];

/** `npm test`: the same set-up as `npm start`, then every check and test, the fast ones first. */
ensurePackages();
ensurePostgres();
ensureChromium();
ensureNginx();
const results = [];
results.push(await check("lint", "biome", ["check", "."]));
results.push(...(await Promise.all([types(), tests("unit tests", [])])));
// Once for all parts.
await testSchool();
// Parts side by side, each with a database, a server and a browser of its own.
const names = readdirSync(join(root, "e2e"))
  .flatMap((f) => (f.endsWith(".test.ts") ? [f.replace(".test.ts", "")] : []))
  .sort((a, b) => (TAKES[b] ?? USUAL) - (TAKES[a] ?? USUAL) || (a < b ? -1 : 1));
const parts = Array.from({ length: PARTS }, () => ({ files: [], takes: 0 }));
for (const name of names.filter((n) => !ALONE.includes(n))) {
  const least = parts.reduce((a, b) => (b.takes < a.takes ? b : a));
  least.files.push(name);
  least.takes += TAKES[name] ?? USUAL;
}
const part = (what, files, n) =>
  tests(`browser tests, ${what}`, ["--config", "vitest.e2e.config.ts", ...files.map((f) => `e2e/${f}.test.ts`)], {
    YARD_TEST_PART: String(n),
  });
results.push(...(await Promise.all(parts.map(({ files }, i) => part(`part ${i + 1}`, files, i + 1)))));
results.push(await part("by themselves", ALONE, PARTS + 1));
closingLine(results);
