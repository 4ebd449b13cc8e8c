import { readdirSync } from "node:fs";
import { join } from "node:path";
import { ensure } from "./lib/install.mjs";
import { root } from "./lib/root.mjs";
import { check, closingLine, node, tests, types } from "./lib/steps.mjs";

/** About how long a file of browser tests takes, seconds, so that the parts that they are dealt into are alike; else USUAL. */
const TAKES = {
  variants: 200,
  games: 180,
  phone: 175,
  faults: 140,
  device: 135,
  teacher: 170,
  access: 145,
  ways: 145,
  homes: 135,
  challenge: 120,
  yard: 110,
  family: 100,
  server: 100,
  engine: 60,
  together: 60,
  database: 50,
  privacy: 50,
  https: 50,
};
const USUAL = 25;
/** Most of their time is waiting, and so more run side by side than there are cores. */
const PARTS = 3;
/** These measure times, and run by themselves; and this starts everything again, in an environment that no other has touched. */
const ALONE = ["operating", "loop"];
const STARTS = ["start"];

/** `npm test`: the same set-up as `npm start`, then every check and test, the fast ones first. */
await ensure("postgres", "chromium", "nginx");
const results = [];
results.push(await check("lint", "biome", ["check", "."]));
// The build and the school that browser tests begin with are made meanwhile, once for all parts.
results.push(
  ...(await Promise.all([types(), tests("unit tests", []), node("build and demo school", "scripts/test-school.mjs")])),
);
// Parts side by side, each with a database, a server and a browser of its own.
const names = readdirSync(join(root, "e2e"))
  .flatMap((f) => (f.endsWith(".test.ts") ? [f.replace(".test.ts", "")] : []))
  .sort((a, b) => (TAKES[b] ?? USUAL) - (TAKES[a] ?? USUAL) || (a < b ? -1 : 1));
const parts = Array.from({ length: PARTS }, () => ({ files: [], takes: 0 }));
for (const name of names.filter((n) => ![...ALONE, ...STARTS].includes(n))) {
  const least = parts.reduce((a, b) => (b.takes < a.takes ? b : a));
  least.files.push(name);
  least.takes += TAKES[name] ?? USUAL;
}
const part = (what, files, n) =>
  tests(`browser tests, ${what}`, ["--config", "vitest.e2e.config.ts", ...files.map((f) => `e2e/${f}.test.ts`)], {
    YARD_TEST_PART: String(n),
  });
results.push(
  ...(await Promise.all([
    ...parts.map(({ files }, i) => part(`part ${i + 1}`, files, i + 1)),
    part("starting", STARTS, PARTS + 1),
  ])),
);
results.push(await part("by themselves", ALONE, PARTS + 2));
closingLine(results);
