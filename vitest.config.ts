import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: [
      "core/**/*.test.ts",
      "words/**/*.test.ts",
      "server/**/*.test.ts",
      "app/**/*.test.{ts,tsx}",
      "cli/**/*.test.ts",
      "scripts/**/*.test.ts",
    ],
    testTimeout: 60_000,
    // Two cores are what there is, and most of a run has them to itself.
    maxWorkers: 2,
  },
});
