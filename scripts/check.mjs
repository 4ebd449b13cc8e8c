import { ensure } from "./lib/install.mjs";
import { check, closingLine, tests, types } from "./lib/steps.mjs";

/** Left to `npm test`: comparisons with the reference implementations, and what takes more than a few seconds. */
const SLOW = ["**/*.reference.test.ts", "**/*.slow.test.{ts,tsx}"];

/** `npm run check`: what takes less than a minute. Types, lint and the fast unit tests. */
await ensure();
const quick = Promise.all([types(), check("lint", "biome", ["check", "."])]);
const unit = await tests(
  "unit tests",
  SLOW.flatMap((pattern) => ["--exclude", pattern]),
);
closingLine([...(await quick), unit]);
