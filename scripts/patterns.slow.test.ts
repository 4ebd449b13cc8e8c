import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { activity } from "#core/formats/activity.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { pictures } from "./pattern-pictures.ts";

const docs = new URL("../docs/", import.meta.url);
const text = (file: string) => readFileSync(new URL(file, docs), "utf8");
it("the pictures and documents of the patterns are those of the code (npm run patterns)", () => {
  for (const picture of pictures()) expect(text(`patterns/${picture.file}`) === picture.text, picture.file).toBe(true);
});
it("every pattern has its part of the page for teachers, with its picture and its document", () => {
  const page = text("patterns.md");
  for (const name of patternNames) {
    expect(page).toContain(`(patterns/${name}.svg)`);
    expect(page).toContain(`(patterns/${name}.json)`);
  }
});
it("each document is read as it stands", () => {
  for (const name of patternNames)
    expect(activity.safeParse(JSON.parse(text(`patterns/${name}.json`))).error, name).toBeUndefined();
});
