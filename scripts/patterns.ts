import { mkdirSync, writeFileSync } from "node:fs";
import { pictures } from "./pattern-pictures.ts";

/** Writes what docs/patterns.md shows: the plan and the document of each pattern's example; a test holds them against the code. */
const dir = new URL("../docs/patterns/", import.meta.url);
mkdirSync(dir, { recursive: true });
for (const { file, text } of pictures()) writeFileSync(new URL(file, dir), text);
