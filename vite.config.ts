import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import { familyScripts } from "./scripts/vite/family-scripts.mjs";
import { noJsonSchema } from "./scripts/vite/no-json-schema.mjs";
import { readyWords } from "./scripts/vite/ready-words.mjs";

/**
 * Files that load one of many games. Vite would add the list of everything that each game imports, to fetch it all at once. A phone would pay
 * for the lists of games that it does not play, and it loads its own game ahead, while nobody waits.
 */
const LOADERS = /^assets\/(load|own-card)-/;

/** The server's entry is our own: `app/serve.ts` holds the routes and listens. */
export default defineConfig(({ isSsrBuild }) => ({
  plugins: [readyWords(), noJsonSchema(), familyScripts(), tailwindcss(), reactRouter()],
  worker: { format: "es", plugins: () => [noJsonSchema()] },
  build: {
    target: "es2022",
    manifest: true,
    modulePreload: {
      resolveDependencies: (_, dependencies, { hostId }) => (LOADERS.test(hostId) ? [] : dependencies),
    },
    ...(isSsrBuild && { rollupOptions: { input: "app/serve.ts" } }),
  },
}));
