import { resolve } from "node:path";
import { defineConfig } from "vite";

/** The thread that works figures out beside the requests, built after the server. */
export default defineConfig({
  publicDir: false,
  resolve: {
    alias: { "#core": resolve(import.meta.dirname, "core"), "#server": resolve(import.meta.dirname, "server") },
  },
  build: {
    ssr: "server/compute/thread.ts",
    outDir: "build/server",
    emptyOutDir: false,
    target: "es2022",
    rollupOptions: { output: { entryFileNames: "compute.js", format: "es" } },
  },
  ssr: { noExternal: true },
});
