import { defineConfig } from "vitest/config";
import { PATIENCE } from "./scripts/lib/browser.mjs";

/** Browser tests on the real build, one file after the other: they share one database and one browser at a time. */
export default defineConfig({
  test: {
    include: ["e2e/**/*.test.ts"],
    globalSetup: "e2e/setup.ts",
    fileParallelism: false,
    // What the tests import is read once for all of them.
    pool: "forks",
    isolate: false,
    // On a busy machine things come late; what never comes is still found.
    expect: { poll: { timeout: PATIENCE } },
    testTimeout: 1_200_000,
    hookTimeout: 600_000,
  },
});
