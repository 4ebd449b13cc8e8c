import { ensureBuild } from "./lib/build.mjs";
import { ensureChromium, ensureNginx, ensurePackages, ensurePostgres } from "./lib/install.mjs";
import { check, closingLine, tests, types } from "./lib/steps.mjs";

/** `npm test`: the same set-up as `npm start`, then every check and test, the fast ones first. */
ensurePackages();
ensurePostgres();
ensureChromium();
ensureNginx();
const results = [];
results.push(await check("lint", "biome", ["check", "."]));
results.push(...(await Promise.all([types(), tests("unit tests", [])])));
ensureBuild();
// Two halves side by side, each with a database, a server and a browser of its own: most of their time is waiting.
const half = (n) =>
  tests(`browser tests, half ${n}`, ["--config", "vitest.e2e.config.ts", `--shard=${n}/2`], {
    YARD_TEST_PART: String(n),
  });
results.push(...(await Promise.all([half(1), half(2)])));
closingLine(results);
