import { spawnSync } from "node:child_process";
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { stripVTControlCharacters } from "node:util";
import { afterAll, describe, expect, it } from "vitest";

const root = join(import.meta.dirname, "..");
const copy = mkdtempSync(join(tmpdir(), "yard-game-"));
afterAll(() => rmSync(copy, { recursive: true, force: true }));

/** The parts of the project that a new game needs. */
const PARTS = [
  "core",
  "app",
  "server",
  "words",
  "scripts",
  "schemas",
  "docs",
  "package.json",
  "tsconfig.json",
  "biome.json",
  "vitest.config.ts",
];
/** Runs a command in the copy. Its output is shown if it fails. */
function run(command: string, ...args: string[]): string {
  const bin = join(root, "node_modules/.bin", command);
  const { status, stdout, stderr } = spawnSync(bin, args, { cwd: copy, encoding: "utf8" });
  expect(status, `${command} ${args.join(" ")}\n${stdout.slice(-4000)}\n${stderr.slice(-2000)}`).toBe(0);
  return stripVTControlCharacters(stdout);
}

describe("docs/add-a-game.md, followed word for word", () => {
  const page = readFileSync(join(root, "docs/add-a-game.md"), "utf8");
  const files = [...page.matchAll(/^```ts (\S+)\n([\s\S]*?)^```$/gm)].map(([, file, text]) => ({
    file: file!,
    text: text!,
  }));

  it("writes a folder in core/patterns and one file in words/games, and nothing else", () => {
    expect(files.length).toBeGreaterThan(6);
    const elsewhere = files.filter(
      ({ file }) => !/^core\/patterns\/steady\//.test(file) && file !== "words/games/steady.ts",
    );
    expect(elsewhere).toEqual([]);
  });

  it("makes a game that keeps the contract, is forecast, and has its words", () => {
    for (const part of PARTS) cpSync(join(root, part), join(copy, part), { recursive: true });
    symlinkSync(join(root, "node_modules"), join(copy, "node_modules"));
    for (const { file, text } of files) {
      mkdirSync(dirname(join(copy, file)), { recursive: true });
      writeFileSync(join(copy, file), text);
    }
    for (const script of /^ {4}npm run (registries|schemas|patterns)\b/gm[Symbol.matchAll](page))
      run("tsx", `scripts/${script[1]}.ts`);
    expect(readFileSync(join(copy, "docs/patterns.md"), "utf8")).toContain("## Steady\n");
    // All tests that go through the registry, for this game alone, and the tests of its words and lists.
    const out = run("vitest", "run", "core/patterns", "scripts/registries.test.ts", "-t", "[Ss]teady|lists of games");
    expect(Number(/Tests +(\d+) passed/.exec(out)?.[1])).toBeGreaterThan(15);
    run("vitest", "run", "words/words.test.ts", "words/sheet.slow.test.ts");
  }, 300_000);
});
