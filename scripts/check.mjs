import { ensure } from "./lib/install.mjs";
import { check, closingLine, tests, types } from "./lib/steps.mjs";

/** `npm run check` runs types, lint and the fast unit tests, in less than a minute. */
await ensure();
const quick = Promise.all([types(), check("lint", "biome", ["check", "."])]);
const unit = await tests("unit tests", [], { YARD_QUICK: "1" });
closingLine([...(await quick), unit]);
