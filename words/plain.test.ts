import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { IntlMessageFormat } from "intl-messageformat";
import ts from "typescript";
import { describe, expect, it } from "vitest";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { en } from "./en.ts";
import { enCall } from "./en-call.ts";
import { enFull } from "./en-full.ts";
import { enGame } from "./en-game.ts";
import { enHome } from "./en-home.ts";
import { enMatch } from "./en-match.ts";
import { enPaper } from "./en-paper.ts";
import { enRules } from "./en-rules.ts";
import { enSetUp } from "./en-set-up.ts";
import { enSheet } from "./en-sheet.ts";
import { enTeacher } from "./en-teacher.ts";
import { gameWords } from "./generated/all.ts";
import { ruleWords } from "./generated/rules.ts";
import { setUpWords } from "./generated/set-up.ts";
import { sheetWords } from "./generated/sheet.ts";
import { togetherWords } from "./generated/together.ts";
import { sayList } from "./say.ts";
import { label, labels } from "./teacher.ts";

const CATALOGUES = {
  en,
  enSetUp,
  setUpWords,
  togetherWords,
  enMatch,
  enPaper,
  enGame,
  enCall,
  enFull,
  ...gameWords,
  enHome,
  enTeacher,
  enRules,
  ruleWords,
  enSheet,
  sheetWords,
  labels,
};
const every = Object.entries(CATALOGUES).flatMap(([words, all]) =>
  Object.entries(all).map(([key, text]) => [`${words} ${key}`, text as string] as const),
);

it("says what is counted at every peg of every pattern", () => {
  for (const name of patternNames) {
    const kinds = opened(fromPattern(name)).probes.map((probe) => probe.ask.aim.kind);
    for (const kind of kinds) expect(enTeacher, `${name} ${kind}`).toHaveProperty([`rates.${kind}`]);
  }
});

type Ast = readonly { type: number; value?: string; options?: Record<string, { value: Ast }> }[];
/** Type numbers of the message format's elements: an argument, a number, a select, a plural. */
const [ARGUMENT, NUMBER, SELECT, PLURAL] = [1, 2, 5, 6];
/** Parameters that are inserted as they are and are not counts. */
const NAMES: Readonly<Record<string, string>> = {
  title: "Ada B.",
  name: "Ada B.",
  names: "Ada B.",
  class: "Ada B.",
  property: "Ada B.",
  one: "roll",
  many: "rolls",
  One: "Roll",
  Many: "Rolls",
};
/** What a message needs: for each parameter, a count or a list of words. */
function asked(ast: Ast, out = new Map<string, readonly string[] | "count">()) {
  for (const part of ast) {
    if (part.type === PLURAL || part.type === NUMBER) out.set(part.value!, "count");
    else if (part.type === SELECT) out.set(part.value!, Object.keys(part.options!));
    else if (part.type === ARGUMENT && !out.has(part.value!))
      out.set(part.value!, Object.hasOwn(NAMES, part.value!) ? [NAMES[part.value!]!] : "count");
    for (const o of Object.values(part.options ?? {})) asked(o.value, out);
  }
  return out;
}
/** A message with 0, 1, 2 or 5 of everything that it counts, and each of its words in turn. */
function rendered(text: string): { n: number; said: string }[] {
  const message = new IntlMessageFormat(text, "en");
  const wants = asked(message.getAst() as Ast);
  const words = [...wants.values()].flatMap((want) => (want === "count" ? [] : [want.length]));
  const ways = Math.max(1, ...words);
  return [0, 1, 2, 5].flatMap((n) =>
    Array.from({ length: ways }, (_, way) => ({
      n,
      said: String(
        message.format(
          Object.fromEntries([...wants].map(([key, w]) => [key, w === "count" ? n : w[Math.min(way, w.length - 1)]!])),
        ),
      ),
    })),
  );
}

/** Plurals that may follow a number in our sentences. */
const MANY =
  "points|goes|children|homes|messages|rows|things|names|steps|shoes|lengths|players|minutes|seconds|rungs|lines|targets|pieces|rounds|others|times|cards|feet|metres|boxes|misses";
const ONE =
  "point|go|child|home|message|row|thing|name|player|minute|second|rung|line|target|piece|round|other|time|card";

describe("sentences", () => {
  it("are whole with 0, 1, 2 and 5 of everything, and never say `1 children` or `5 child`", () => {
    let count = 0;
    const wrong: string[] = [];
    const never: RegExp[] = [
      /[{}#]|undefined|NaN/,
      new RegExp(`(?<![\\d.,½–-])\\b1 (${MANY})\\b`),
      new RegExp(`\\b[025] (${ONE})\\b(?! of)`),
      /\b1 (are|have|were|wait|look)\b|(?<!Number |Pin |to |the |[\d]–|^)\b[25] (is|has|was|waits|looks)\b/,
      / {2}|\s[,;]|\s\.(?!\.)|\( /,
    ];
    for (const [key, text] of every)
      for (const { said } of rendered(text)) {
        count++;
        for (const no of never) if (no.test(said)) wrong.push(`${key}: ${said}`);
      }
    expect(wrong).toEqual([]);
    expect(count).toBeGreaterThan(1500);
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

/** The phrases that docs/words.md rules out, from the last column of its tables and from its list. */
function ruledOut(): string[] {
  const page = readFileSync(new URL("../docs/words.md", import.meta.url), "utf8");
  const rows = [...page.matchAll(/^\| \*\*.+? \| .*? \| (.+?) \|$/gm)].map((match) => match[1]!);
  const list = /These words never appear: (.+)\.$/m.exec(page)![1]!;
  expect(rows.length).toBeGreaterThan(20);
  return [...rows, list]
    .flatMap((role) => role.split(", "))
    .map((word) => word.replace(/ \(.*\)/, "").trim())
    .filter(Boolean);
}
/** Words that are ruled out in one sense only, with a pattern for that sense. */
const SENSES: Record<string, RegExp> = {
  send: /\b(\d+|each|every|first|last|this|per|of|a|one|the) sends?\b|\bsends (in|per|at|that|of)\b|\bsend \d/i,
  draw: /\b(this|another|each|next|new|same) draw\b/i,
  mark: /\b(at|each|this|near|first|the|a|one|to the) marks?\b(?! (as|the))/i,
  kept: /\bkept on this device\b/i,
  fix: /^fix$/i,
  thing: /(?<!any|every|some|no)\bthings?\b/i,
  peg: /(?<!clothes )\bpegs?\b/i,
  pattern: /\bpatterns?\b/i,
  "stop here": /^stop here$/i,
  "goes by": /\b(it|this|that|which|level|they) goes by\b/i,
};
/** Every text that a reader may see for a sentence, over all counts and choices. */
const seen = (text: string) => rendered(text).map((r) => r.said);
const findRuledOut = (said: string, words: readonly string[]): string | null => {
  for (const word of words) {
    const found = (SENSES[word] ?? new RegExp(`\\b${word}(s|es|ed|ing)?\\b`, "i")).exec(said);
    if (found) return found[0];
  }
  return null;
};
/** A child called "it", in sentences where that once happened. */
const CHILD_AS_IT =
  /\b(child|player|somebody|someone)\b[^.;]{0,60}\b(itself|suits it|its (own|card|home|link|step|goes|level|place|age)|it (has|likes|plays|gets|stands))\b/i;

/** Text in the pages themselves: between tags, and in string literals that look like sentences. */
function pageTexts(): [where: string, text: string][] {
  const files = readdirSync(join(import.meta.dirname, "..", "app"), { recursive: true, encoding: "utf8" });
  return files
    .filter((file) => file.endsWith(".tsx") && !file.includes(".test."))
    .flatMap((file) => {
      const source = ts.createSourceFile(
        file,
        readFileSync(join(import.meta.dirname, "..", "app", file), "utf8"),
        ts.ScriptTarget.Latest,
        true,
        ts.ScriptKind.TSX,
      );
      const out: [string, string][] = [];
      const visit = (node: ts.Node) => {
        if (ts.isImportDeclaration(node)) return;
        if (ts.isJsxAttribute(node) && /^(className|d|id|href|to|src|style|key|viewBox)$/.test(node.name.getText()))
          return;
        const text =
          ts.isJsxText(node) || ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)
            ? node.text.replace(/\s+/g, " ").trim()
            : ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node)
              ? node.text.trim()
              : "";
        // Several words, or one that begins with a capital letter. Class names have neither.
        if (
          /^[A-Z“(]|[a-z] [a-z]/.test(text) &&
          !/(^| )(flex|grid|text-|bg-|border|rounded|font-|min-|max-|gap-|items-|-m|px-)/.test(text)
        )
          out.push([file, text]);
        ts.forEachChild(node, visit);
      };
      visit(source);
      return out;
    });
}

describe("the voice", () => {
  const words = ruledOut();
  const pages = pageTexts();
  it("no sentence of a catalogue or a page uses a word that docs/words.md rules out", () => {
    expect(pages.length).toBeGreaterThan(400);
    const said = [...every.flatMap(([key, text]) => seen(text).map((eachText) => [key, eachText] as const)), ...pages];
    const wrong = said.flatMap(([where, text]) => {
      const found = findRuledOut(text, words);
      return found ? [`${where}: "${text}" says ${found}`] : [];
    });
    expect([...new Set(wrong)]).toEqual([]);
  });
  it("percentages have no space, and no child is an it", () => {
    const said = [...every.flatMap(([key, text]) => seen(text).map((eachText) => [key, eachText] as const)), ...pages];
    expect(said.filter(([, text]) => /\d %|\} %|^%$|^ %/.test(text)).map(([word, text]) => `${word}: ${text}`)).toEqual(
      [],
    );
    expect(said.filter(([, text]) => CHILD_AS_IT.test(text)).map(([word, text]) => `${word}: ${text}`)).toEqual([]);
    const sources = readdirSync(join(import.meta.dirname, "..", "app"), { recursive: true, encoding: "utf8" })
      .filter((f) => /\.tsx?$/.test(f) && !f.includes(".test."))
      .map((f) => [f, readFileSync(join(import.meta.dirname, "..", "app", f), "utf8")] as const);
    expect(sources.filter(([, source]) => /\} %[`"<,.)\s]/.test(source)).map(([f]) => f)).toEqual([]);
    // Checks that the check finds something.
    expect(CHILD_AS_IT.test("Every child gets the level that suits it.")).toBe(true);
    expect(findRuledOut("12 sends in a go", words)).toBe("12 sends");
    expect(findRuledOut("Which things are asked anew?", words)).not.toBeNull();
  });
  it("keeps a child's sentences to 8 words, a grown-up's to 15 and a teacher's to 30", () => {
    const ofCatalogue = (text: string, key: string) => (TEACHERS.has(text) ? 30 : GROWN_UP.test(key) ? 15 : 8);
    const long = every.flatMap(([at, text]) => {
      const [c, key] = at.split(" ") as [string, string];
      const limit = ofCatalogue(c, key);
      return seen(text)
        .flatMap((eachText) => eachText.split(/(?<=[.?!:;])\s+/))
        .filter((eachText) => eachText.split(/\s+/).length > limit)
        .map((eachText) => `${at} (${limit}): ${eachText}`);
    });
    expect([...new Set(long)]).toEqual([]);
    const pageLong = pages.flatMap(([field, text]) =>
      text
        .split(/(?<=[.?!:;])\s+/)
        .filter((eachText) => eachText.split(/\s+/).length > 30)
        .map((eachText) => `${field}: ${eachText}`),
    );
    expect(pageLong).toEqual([]);
  });
  it("gives no two fields of one station the same label, in any game", () => {
    for (const name of patternNames) {
      const game = opened(fromPattern(name));
      const at = new Map<string, string[]>();
      for (const knob of game.knobs()) {
        // A field of one round, stage or target shows its number beside its label.
        if (knob.path.some((x) => typeof x === "number")) continue;
        at.set(knob.station, [...(at.get(knob.station) ?? []), label(knob.label)]);
      }
      for (const [part, list] of at)
        expect(
          list.filter((line, i) => list.indexOf(line) !== i),
          `${name}, ${part}`,
        ).toEqual([]);
    }
  });
});
/** Catalogues for teachers, or for a grown-up reading paper. */
const TEACHERS = new Set(["enTeacher", "enRules", "ruleWords", "enSheet", "sheetWords", "labels"]);
/** Groups of keys that a grown-up reads. */
const GROWN_UP =
  /^(survey|sketch|step|match|call|card|family|look|caution|change|unmet|sheet|trouble|noscript|hand|plan|fair|full|together|self|support|who)\b|\.summary/;
