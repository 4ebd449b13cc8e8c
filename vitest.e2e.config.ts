import { defineConfig } from "vitest/config";

/** Browser tests on the real build, one file after the other: they share one database, two cores and one browser at a time. */
export default defineConfig({
  test: {
    include: ["e2e/**/*.test.ts"],
    globalSetup: "e2e/setup.ts",
    fileParallelism: false,
    // Two shared cores run database, server and browser: a test that lost a race for time gets one more go.
    retry: 1,
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
});
