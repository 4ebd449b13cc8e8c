import { defineConfig } from "vitest/config";

/** Browser tests on the real build, one file after the other: they share one database and one browser at a time. */
export default defineConfig({
  test: {
    include: ["e2e/**/*.test.ts"],
    globalSetup: "e2e/setup.ts",
    fileParallelism: false,
    // What the tests import is read once for all of them.
    pool: "forks",
    isolate: false,
    testTimeout: 180_000,
    hookTimeout: 120_000,
  },
});
