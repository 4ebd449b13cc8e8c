import { defineConfig } from "vitest/config";

/** These put words or modules of their own in the place of ours, and so run by themselves. */
const APART = ["app/family/pseudo.slow.test.tsx", "app/routes/hand-in.test.ts"];

/** `npm run check` leaves these out: comparisons with the reference implementations, and tests that take more than a few seconds. */
const SLOW = process.env.YARD_QUICK ? ["**/*.reference.test.ts", "**/*.slow.test.{ts,tsx}"] : [];

export default defineConfig({
  test: {
    // A busy machine may take three times as long as a quiet one; what never ends is still found.
    testTimeout: 180_000,
    // Two cores are what there is, and most of a run has them to itself.
    maxWorkers: 2,
    // Some modules of the server read these as they are loaded; no unit test asks a database anything.
    env: { YARD_APP_DATABASE_URL: "postgres://nobody@127.0.0.1:1/nothing", YARD_SECRET: "0".repeat(64) },
    projects: [
      {
        extends: true,
        test: {
          name: "unit",
          include: [
            "core/**/*.test.ts",
            "words/**/*.test.ts",
            "server/**/*.test.ts",
            "app/**/*.test.{ts,tsx}",
            "cli/**/*.test.ts",
            "scripts/**/*.test.ts",
          ],
          exclude: [...APART, ...SLOW],
          // Modules are loaded once for all files: none of them changes one.
          pool: "threads",
          isolate: false,
        },
      },
      { extends: true, test: { name: "apart", include: APART, exclude: SLOW } },
    ],
  },
});
