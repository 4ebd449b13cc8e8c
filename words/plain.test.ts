import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { IntlMessageFormat } from "intl-messageformat";
import { describe, expect, it } from "vitest";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { en } from "./en.ts";
import { enGame } from "./en-game.ts";
import { enHome } from "./en-home.ts";
import { enRules } from "./en-rules.ts";
import { enTeacher } from "./en-teacher.ts";
import { gameWords } from "./games/all.ts";
import { sayList } from "./say.ts";
import { labels } from "./teacher.ts";

const CATALOGUES = { en, enGame, ...gameWords, enHome, enTeacher, enRules, labels };
const every = Object.entries(CATALOGUES).flatMap(([c, all]) =>
  Object.entries(all).map(([key, text]) => [`${c} ${key}`, text as string] as const),
);

it("says what is counted at every peg of every pattern", () => {
  for (const name of patternNames) {
    const kinds = opened(fromPattern(name)).probes.map((p) => p.ask.aim.kind);
    for (const kind of kinds) expect(enTeacher, `${name} ${kind}`).toHaveProperty([`rates.${kind}`]);
  }
});

type Ast = readonly { type: number; value?: string; options?: Record<string, { value: Ast }> }[];
/** Type numbers of the format's own parts: an argument, a number, a select, a plural. */
const [ARGUMENT, NUMBER, SELECT, PLURAL] = [1, 2, 5, 6];
/** What is filled in as it is, and is no count. */
const NAMES = new Set(["title", "name", "names", "class", "property"]);
/** What a message asks for, each as a count or as one of its words. */
function asked(ast: Ast, out = new Map<string, readonly string[] | "count">()) {
  for (const part of ast) {
    if (part.type === PLURAL || part.type === NUMBER) out.set(part.value!, "count");
    else if (part.type === SELECT) out.set(part.value!, Object.keys(part.options!));
    else if (part.type === ARGUMENT && !out.has(part.value!))
      out.set(part.value!, NAMES.has(part.value!) ? ["Ada B."] : "count");
    for (const o of Object.values(part.options ?? {})) asked(o.value, out);
  }
  return out;
}
/** A message with 0, 1, 2 or 5 of everything that it counts, and each of its words in turn. */
function rendered(text: string): { n: number; said: string }[] {
  const message = new IntlMessageFormat(text, "en");
  const wants = asked(message.getAst() as Ast);
  const words = [...wants.values()].flatMap((w) => (w === "count" ? [] : [w.length]));
  const ways = Math.max(1, ...words);
  return [0, 1, 2, 5].flatMap((n) =>
    Array.from({ length: ways }, (_, way) => ({
      n,
      said: String(
        message.format(
          Object.fromEntries([...wants].map(([k, w]) => [k, w === "count" ? n : w[Math.min(way, w.length - 1)]!])),
        ),
      ),
    })),
  );
}

/** Plurals that a sentence of ours may have after a number. */
const MANY =
  "points|sends|goes|children|homes|messages|rows|things|names|steps|shoes|lengths|players|minutes|seconds|rungs|lines|targets|pieces|rounds|others|times|cards|feet|metres|boxes|misses";
const ONE =
  "point|send|go|child|home|message|row|thing|name|player|minute|second|rung|line|target|piece|round|other|time|card";

describe("sentences", () => {
  it("are whole with 0, 1, 2 and 5 of everything, and never say `1 children` or `5 child`", () => {
    let n = 0;
    const wrong: string[] = [];
    const never: RegExp[] = [
      /[{}#]|undefined|NaN/,
      new RegExp(`(?<![\\d.,½–-])\\b1 (${MANY})\\b`),
      new RegExp(`\\b[025] (${ONE})\\b(?! of)`),
      /\b1 (are|have|were|wait|look)\b|(?<!Send )\b[25] (is|has|was|waits|looks)\b/,
      / {2}|\s[,;]|\s\.(?!\.)|\( /,
    ];
    for (const [key, text] of every)
      for (const { said } of rendered(text)) {
        n++;
        for (const no of never) if (no.test(said)) wrong.push(`${key}: ${said}`);
      }
    expect(wrong).toEqual([]);
    expect(n).toBeGreaterThan(1500);
  });

  it("say lists and their verbs", () => {
    expect([["Amina"], ["Amina", "Jo"], ["Amina", "Jo", "Sam"]].map(sayList)).toEqual([
      "Amina",
      "Amina and Jo",
      "Amina, Jo, and Sam",
    ]);
    const win = new IntlMessageFormat(enGame["play.winner"], "en");
    expect(win.format({ names: "Amina", count: 1 })).toBe("Amina wins!");
    expect(win.format({ names: "Amina and Jo", count: 2 })).toBe("Amina and Jo win!");
  });
});

/** The words of docs/words.md that are not ours, as they would stand in a sentence. */
function notOurs(): string[] {
  const page = readFileSync(new URL("../docs/words.md", import.meta.url), "utf8");
  const rows = [...page.matchAll(/^\| \*\*(.+?)\*\* \| .*? \| (.*?) \|$/gm)];
  expect(rows.length).toBeGreaterThan(10);
  return rows.flatMap((r) => r[2]!.split(", ").filter(Boolean));
}
/** Ordinary senses of those words. */
const FINE =
  /try again|try it|we looked|look(ed|ing)? (behind|again|round|at|like)|in turns|take turns|turns? (it|around|over)|turn(ed)?\b|done\b|finished|goals?\b|set up|set it up|two sets|tell-apart sets?|first set|second set|sets? of|a set|set at once|shot\b|seen\b|record|location/gi;

describe("one word for one thing", () => {
  it("no sentence of either side uses a word that the glossary has another for", () => {
    const words = new Set(notOurs());
    const wrong: string[] = [];
    for (const [key, text] of every) {
      const said = rendered(text)
        .map((r) => r.said.replace(FINE, ""))
        .join("\n");
      for (const w of [...words, "tries"]) {
        const found = new RegExp(`\\b${w}(s|es|ies|ed|ing)?\\b`, "i").exec(said);
        if (found) wrong.push(`${key}: "${text}" says ${found[0]}`);
      }
    }
    expect(wrong).toEqual([]);
  });
  it("nor does a page of ours that writes its words itself", () => {
    const wrong: string[] = [];
    for (const dir of ["routes", "results", "workbench", "family", "homes"])
      for (const f of readdirSync(join(import.meta.dirname, "..", "app", dir))) {
        if (!f.endsWith(".tsx") || f.includes(".test.")) continue;
        const source = readFileSync(join(import.meta.dirname, "..", "app", dir, f), "utf8");
        // What stands between tags, and titles.
        for (const m of source.matchAll(
          />([^<>{}=;]*\b(?:tries|attempts?|pupils?|students?|submit|looked)\b[^<>{}=;]*)</g,
        ))
          wrong.push(`${f}: ${m[1]!.trim()}`);
      }
    expect(wrong).toEqual([]);
  });
});
