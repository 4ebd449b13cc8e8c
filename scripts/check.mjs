import { ensure } from "./lib/install.mjs";
import { check, closingLine, tests, types } from "./lib/steps.mjs";

/** `npm run check`: the quick part. Types, lint, and the unit tests but the long comparison with the reference implementations. */
await ensure();
const quick = Promise.all([types(), check("lint", "biome", ["check", "."])]);
const unit = await tests("unit tests", ["--exclude", "**/*.reference.test.ts"]);
closingLine([...(await quick), unit]);
