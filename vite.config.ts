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

/** Every page needs all of React, so it comes in one file. */
const REACT = { name: "react", test: /node_modules\/(react|react-dom|scheduler)\// };

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
    rollupOptions: isSsrBuild ? { input: "app/serve.ts" } : { output: { advancedChunks: { groups: [REACT] } } },
  },
}));
