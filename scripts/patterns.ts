import { mkdirSync, writeFileSync } from "node:fs";
import { pictures } from "./pattern-pictures.ts";

/**
 * Writes the files that docs/patterns.md shows: the plan and the document of each pattern's example. A test compares
 * them with the code.
 */
const dir = new URL("../docs/patterns/", import.meta.url);
mkdirSync(dir, { recursive: true });
for (const { file, text } of pictures()) writeFileSync(new URL(file, dir), text);
