import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "../lib/root.mjs";

export const ENTRY = "app/family/start.tsx";
const NAME = "virtual:family-scripts";
const FAIR = "app/workers/fair.worker.ts";
const FAIR_NAME = "virtual:fair-worker";

/** Lists a file of the build and everything it imports statically, each file before its own imports. */
export function withImports(manifest, key, seen = new Set()) {
  const entry = manifest[key];
  if (!entry || seen.has(entry.file)) return [];
  seen.add(entry.file);
  return [entry.file, ...(entry.imports ?? []).flatMap((each) => withImports(manifest, each, seen))];
}

/**
 * Adds two entries beside the router's: the script of the family pages, and the worker that makes a match fair. The worker is built together
 * with the pages, so a phone that has played a game has most of what the worker imports. The server is built after the browser's files, and
 * reads the entry's file name from their manifest.
 */
export function familyScripts() {
  let ssr = false;
  let fair;
  return {
    name: "family-scripts",
    configResolved(config) {
      ssr = Boolean(config.build.ssr);
    },
    buildStart() {
      if (ssr || this.meta.watchMode) return;
      this.emitFile({ type: "chunk", id: join(root, ENTRY), name: "family" });
      fair = this.emitFile({ type: "chunk", id: join(root, FAIR), name: "fair.worker" });
    },
    resolveId: (id) => (id === NAME || id === FAIR_NAME ? `\0${id}` : null),
    load(id) {
      if (id === `\0${FAIR_NAME}`)
        return `export default ${fair ? `import.meta.ROLLUP_FILE_URL_${fair}` : JSON.stringify(`/${FAIR}`)};`;
      if (id !== `\0${NAME}`) return null;
      const file = join(root, "build/client/.vite/manifest.json");
      if (!ssr || !existsSync(file)) return "export default [];";
      const files = withImports(JSON.parse(readFileSync(file, "utf8")), ENTRY);
      return `export default ${JSON.stringify(files.map((each) => `/${each}`))};`;
    },
  };
}
