import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "../lib/root.mjs";

export const ENTRY = "app/family/start.tsx";
const NAME = "virtual:family-scripts";

/** Lists a file of the build and everything it imports statically, each file before its own imports. */
export function withImports(manifest, key, seen = new Set()) {
  const entry = manifest[key];
  if (!entry || seen.has(entry.file)) return [];
  seen.add(entry.file);
  return [entry.file, ...(entry.imports ?? []).flatMap((each) => withImports(manifest, each, seen))];
}

/**
 * Adds an entry for the family pages beside the router's. The server is built after the browser's files, and reads the entry's file name from
 * their manifest.
 */
export function familyScripts() {
  let ssr = false;
  return {
    name: "family-scripts",
    configResolved(config) {
      ssr = Boolean(config.build.ssr);
    },
    buildStart() {
      if (!ssr && this.meta.watchMode === false)
        this.emitFile({ type: "chunk", id: join(root, ENTRY), name: "family" });
    },
    resolveId: (id) => (id === NAME ? `\0${NAME}` : null),
    load(id) {
      if (id !== `\0${NAME}`) return null;
      const file = join(root, "build/client/.vite/manifest.json");
      if (!ssr || !existsSync(file)) return "export default [];";
      const files = withImports(JSON.parse(readFileSync(file, "utf8")), ENTRY);
      return `export default ${JSON.stringify(files.map((each) => `/${each}`))};`;
    },
  };
}
