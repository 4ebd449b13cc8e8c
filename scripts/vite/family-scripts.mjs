import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "../lib/root.mjs";

/** The scripts of family pages, by page. Each hydrates what the server has rendered. None of them loads the router. */
export const ENTRIES = {
  cards: "app/family/start.tsx",
  survey: "app/homes/start.tsx",
  match: "app/match/start.tsx",
  step: "app/step/start.tsx",
  print: "app/print.ts",
};
const NAME = "virtual:family-scripts";

/** Lists a file of the build and everything it imports statically, each file before its own imports. */
export function withImports(manifest, key, seen = new Set()) {
  const entry = manifest[key];
  if (!entry || seen.has(entry.file)) return [];
  seen.add(entry.file);
  return [entry.file, ...(entry.imports ?? []).flatMap((each) => withImports(manifest, each, seen))];
}

/**
 * Adds entries beside the router's: the scripts of the family pages. The server is built after the browser's files, and reads the entries'
 * file names from their manifest.
 */
export function familyScripts() {
  let ssr = false;
  let building = false;
  return {
    name: "family-scripts",
    configResolved(config) {
      ssr = Boolean(config.build.ssr);
      building = config.command === "build";
    },
    buildStart() {
      if (ssr || !building) return;
      for (const [name, file] of Object.entries(ENTRIES)) this.emitFile({ type: "chunk", id: join(root, file), name });
    },
    resolveId: (id) => (id === NAME ? `\0${NAME}` : null),
    load(id) {
      if (id !== `\0${NAME}`) return null;
      const file = join(root, "build/client/.vite/manifest.json");
      const manifest = ssr && existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : {};
      const scripts = Object.entries(ENTRIES).map(([name, entry]) => [
        name,
        withImports(manifest, entry).map((each) => `/${each}`),
      ]);
      return `export default ${JSON.stringify(Object.fromEntries(scripts))};`;
    },
  };
}
