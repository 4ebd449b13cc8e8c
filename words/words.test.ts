import { readFileSync } from "node:fs";
import { IntlMessageFormat } from "intl-messageformat";
import { describe, expect, it } from "vitest";
import { paths } from "#app/drawings/paths.ts";
import { drawingSheet } from "#app/drawings/sheet.ts";
import { UNITS } from "#core/contract/contract.ts";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { CAUTIONS } from "#core/items/cautions.ts";
import { FLOORS } from "#core/items/floors.ts";
import { ROOMS } from "#core/items/lists.ts";
import { catalogue } from "#core/kit/catalogue.ts";
import { PROPERTIES } from "#core/kit/property.ts";
import { askings } from "#core/kit/role.ts";
import { patternNames, patternOf } from "#core/patterns/registry.ts";
import { en as common } from "./en.ts";
import { enGame } from "./en-game.ts";
import { enHome } from "./en-home.ts";
import { enMatch } from "./en-match.ts";
import { enPaper } from "./en-paper.ts";
import { enSetUp } from "./en-set-up.ts";
import { gameWords } from "./generated/all.ts";
import { setUpWords } from "./generated/set-up.ts";
import { togetherWords } from "./generated/together.ts";
import { addWords, itemName, namesOf, say, sayPhrase, sayScore } from "./say.ts";
import { hasLabel } from "./teacher.ts";

/** The sentences that are there before any game is loaded. */
const base = { ...common, ...togetherWords, ...enSetUp, ...setUpWords, ...enMatch, ...enPaper };
const games: Record<string, string> = Object.assign({}, ...Object.values(gameWords));
addWords(enGame);
addWords(games);
const en: Readonly<Record<string, string>> = { ...base, ...enGame, ...games, ...enHome };

type Ast = readonly { type: number; value?: string; options?: Record<string, { value: Ast }> }[];
/** A message with each choice of its selects and plurals in turn. Parameters become one word. */
const everyWayOf = (ast: Ast): string[] =>
  ast.reduce<string[]>(
    (so, part) => {
      const ways = part.options
        ? Object.values(part.options).flatMap((o) => everyWayOf(o.value))
        : [part.type === 0 ? part.value! : "x"];
      return so.flatMap((before) => ways.map((way) => before + way));
    },
    [""],
  );

describe("the catalogue", () => {
  it("has a sentence for everything the core can say", () => {
    const wanted = [
      ...patternNames.flatMap((patternName) => patternOf(patternName).phrases),
      ...patternNames
        .flatMap((patternName) => opened(fromPattern(patternName)).knobs())
        .flatMap((knob) => knob.family?.key ?? []),
      ...CAUTIONS.map((caution) => `caution.${caution}`),
      ...catalogue.map((item) => `item.${item.id}`),
      ...catalogue.flatMap((item) => item.made?.steps.map((step) => step.text) ?? []),
      ...PROPERTIES.map((property) => `property.${property}`),
      ...FLOORS.map((floor) => `floor.${floor}`),
      ...ROOMS.filter((room) => room !== "made").map((room) => `room.${room}`),
    ];
    expect(wanted.filter((key) => !(key in en))).toEqual([]);
  });
  it("gives a device that plays one game all of its sentences, and those of no other", () => {
    for (const patternName of patternNames) {
      const here = { ...base, ...enGame, ...gameWords[patternName] };
      expect(
        patternOf(patternName).phrases.filter((phrase) => !(phrase in here)),
        patternName,
      ).toEqual([]);
    }
    const keys = [base, enGame, ...Object.values(gameWords)].flatMap((words) => Object.keys(words));
    expect(keys.filter((key, i) => keys.indexOf(key) !== i)).toEqual([]);
  });
  it("has a drawing for every thing, and for every step of making one", () => {
    expect(catalogue.map((item) => item.drawing).filter((day) => !(day in paths))).toEqual([]);
    expect(
      catalogue.flatMap((item) => item.made?.steps.map((step) => step.drawing) ?? []).filter((day) => !(day in paths)),
    ).toEqual([]);
    expect(readFileSync(new URL("../app/drawings/drawings.svg", import.meta.url), "utf8")).toBe(drawingSheet());
    expect(new Set(Object.values(paths)).size).toBe(Object.keys(paths).length);
    expect(askings.map((asking) => `asks.${asking.id}`).filter((key) => !hasLabel(key))).toEqual([]);
  });
  it("names things and floors in what the core says", () => {
    const own = namesOf([{ id: "foamDisc", name: "foam disc" }]);
    expect(itemName("constructor", own)).toBe("constructor");
    expect(itemName("toString")).toBe("toString");
    expect(sayPhrase({ key: "change.item", params: { item: "foamDisc", as: "sockBall" } }, own)).toBe(
      "Swap the sock ball for the foam disc",
    );
    expect(sayPhrase({ key: "climb.target", params: { label: "", item: "bucket" } })).toBe("Aim at the bucket.");
    expect(sayPhrase({ key: "climb.target", params: { label: "goal", item: "bucket" } })).toBe("Aim at the goal.");
    expect(sayPhrase({ key: "change.floor", params: { floor: "carpet", was: "tile" } })).toBe(
      "Play on carpet instead of tile",
    );
  });
  it("parses every message", () => {
    for (const [key, text] of Object.entries(en))
      expect(everyWayOf(new IntlMessageFormat(text, "en").getAst() as Ast).length, key).toBeGreaterThan(0);
  });
  it("says plurals and seconds", () => {
    expect(say("play.points", { points: 1 })).toBe("1 point");
    expect(sayScore(235, "tenths")).toBe("0:23.5");
    expect(say("climb.summary.points", { tries: 24, first: 3, growth: 0 })).toBe("24 tries, 3 points a target");
  });
});

it("every unit of a score has its words: alone, with its number, and in the strip", () => {
  const own = (url: string) => (["points", "sends", "tenths"].includes(url) ? [] : [`score.${url}`]);
  for (const unit of UNITS) {
    for (const key of [`unit.${unit}`, ...own(unit)]) expect(Object.keys(en), key).toContain(key);
    for (const key of [`unit.${unit}`, ...own(unit).map((eachKey) => eachKey.replace("score", "strip"))])
      expect(hasLabel(key), key).toBe(true);
  }
});
