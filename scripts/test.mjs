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
results.push(await tests("browser tests", ["--config", "vitest.e2e.config.ts"]));
closingLine(results);
