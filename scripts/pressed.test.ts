import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, it } from "vitest";
import { en } from "#words/en.ts";
import { enGame } from "#words/en-game.ts";
import { labels } from "#words/teacher.ts";

const root = join(import.meta.dirname, "..");
/** All texts in the source of the screens, so that a button can be looked up. */
const screens = readdirSync(join(root, "app"), { recursive: true, encoding: "utf8" })
  .filter((file) => file.endsWith(".tsx"))
  .map((file) => readFileSync(join(root, "app", file), "utf8"))
  .join("\n");
const sentences = new Set<string>([...Object.values(en), ...Object.values(enGame), ...Object.values(labels)]);
/** The label of the button to the next step contains the name of the step. */
const STEPS = ["fetch", "setup", "look", "play", "handin"].map((step) =>
  en["card.next"].replace("{step}", en[`card.step.${step}` as keyof typeof en]),
);

it.each(["bench.mjs", "screenshots.mjs"])("every button that %s presses is on some screen", (script) => {
  const pressed = [
    ...readFileSync(join(import.meta.dirname, script), "utf8").matchAll(/press\(page, "([^"]+)"\)/g),
  ].map(([, words]) => words!);
  expect(pressed.length).toBeGreaterThan(4);
  expect(
    pressed.filter((words) => !screens.includes(words) && !sentences.has(words) && !STEPS.includes(words)),
  ).toEqual([]);
});
