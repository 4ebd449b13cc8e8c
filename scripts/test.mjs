import { readdirSync } from "node:fs";
import { join } from "node:path";
import { ensure } from "./lib/install.mjs";
import { root } from "./lib/root.mjs";
import { check, closingLine, node, tests, types } from "./lib/steps.mjs";

/**
 * About how long each file of browser tests takes, seconds, so that the parts are alike. USUAL for files not listed.
 */
const TAKES = {
  teacher: 200,
  homes: 200,
  challenge: 190,
  access: 160,
  games: 155,
  device: 115,
  ways: 115,
  phone: 110,
  operating: 75,
  family: 90,
  yard: 85,
  privacy: 55,
  together: 55,
  variants: 45,
  exercises: 40,
  https: 40,
  sides: 40,
};
const USUAL = 25;
/** Tests spend most of their time waiting, so more parts run side by side than there are cores. */
const PARTS = 3;
/**
 * A test that measures times runs by itself. The test of starting runs in an environment that no other test has touched.
 */
const ALONE = ["loop"];
const STARTS = ["start"];

/**
 * `npm test` sets everything up like `npm start`, then runs every check and test, the fast ones first. `npm run test:long`
 * runs all of them at full size, with the tests that `npm test` leaves out.
 */
if (process.argv.includes("--long")) process.env.YARD_LONG = "1";
// The tests look at every component of the teacher's side on a page that only they build.
process.env.YARD_GALLERY = "1";
await ensure("postgres", "chromium", "nginx");
const results = [];
results.push(await check("lint", "biome", ["check", "."]));
// Meanwhile the build and the demo school for the browser tests are made, once for all parts.
results.push(
  ...(await Promise.all([types(), tests("unit tests", []), node("build and demo school", "scripts/test-school.mjs")])),
);
// The parts run side by side, each with its own database, server and browser.
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
results.push(...(await Promise.all(ALONE.map((name, i) => part(`${name} by itself`, [name], PARTS + 2 + i)))));
closingLine(results);
