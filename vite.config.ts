import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import { familyScripts } from "./scripts/vite/family-scripts.mjs";
import { noJsonSchema } from "./scripts/vite/no-json-schema.mjs";
import { readyWords } from "./scripts/vite/ready-words.mjs";

/** The server's entry is our own: `app/serve.ts` holds the routes and listens. */
export default defineConfig(({ isSsrBuild }) => ({
  plugins: [readyWords(), noJsonSchema(), familyScripts(), tailwindcss(), reactRouter()],
  worker: { format: "es", plugins: () => [noJsonSchema()] },
  build: {
    target: "es2022",
    manifest: true,
    ...(isSsrBuild && { rollupOptions: { input: "app/serve.ts" } }),
  },
}));
