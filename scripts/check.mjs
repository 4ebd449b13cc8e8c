import { ensure } from "./lib/install.mjs";
import { check, closingLine, tests, types } from "./lib/steps.mjs";

/** Only `npm test` runs these: comparisons with the reference implementations, and tests that take more than a few seconds. */
const SLOW = ["**/*.reference.test.ts", "**/*.slow.test.{ts,tsx}"];

/** `npm run check` runs types, lint and the fast unit tests, in less than a minute. */
await ensure();
const quick = Promise.all([types(), check("lint", "biome", ["check", "."])]);
const unit = await tests(
  "unit tests",
  SLOW.flatMap((pattern) => ["--exclude", pattern]),
);
closingLine([...(await quick), unit]);
