import { mkdirSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { registries } from "./lib/registries.ts";

/**
 * Writes the lists of games from the folders in `core/patterns` and the sentences in `words/games`: the registry, what
 * loads one game, and the catalogues by who reads them. A test fails when they are stale.
 */
const root = join(import.meta.dirname, "..");
rmSync(join(root, "words/generated"), { recursive: true, force: true });
for (const { file, text } of await registries(root)) {
  const path = join(root, file);
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, text);
}
