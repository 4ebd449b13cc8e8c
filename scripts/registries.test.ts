import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, it } from "vitest";
import { registries } from "./lib/registries.ts";

const root = join(import.meta.dirname, "..");

it("the lists of games are those of the folders and their sentences (npm run registries)", async () => {
  const files = await registries(root);
  for (const { file, text } of files) expect(readFileSync(join(root, file), "utf8") === text, file).toBe(true);
  const there = readdirSync(join(root, "words/generated"), { recursive: true, encoding: "utf8" }).filter((f) =>
    f.endsWith(".ts"),
  );
  expect(there.map((f) => `words/generated/${f}`).filter((f) => !files.some((x) => x.file === f))).toEqual([]);
});
