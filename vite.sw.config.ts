import { readFileSync } from "node:fs";
import { defineConfig } from "vite";

/** The service worker of the family side, built after the pages so that it knows their files. */
export default defineConfig({
  define: { __YARD_FILES__: readFileSync("build/family-files.json", "utf8"), "process.env.NODE_ENV": '"production"' },
  publicDir: false,
  build: {
    outDir: "build/client",
    emptyOutDir: false,
    copyPublicDir: false,
    rollupOptions: { input: "app/sw.ts", output: { entryFileNames: "sw.js", format: "iife" } },
  },
});
