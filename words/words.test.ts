import { readFileSync } from "node:fs";
import { IntlMessageFormat } from "intl-messageformat";
import { describe, expect, it } from "vitest";
import { paths } from "#app/drawings/paths.ts";
import { drawingSheet } from "#app/drawings/sheet.ts";
import { UNITS } from "#core/contract/contract.ts";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { catalogue } from "#core/kit/catalogue.ts";
import { PROPERTIES } from "#core/kit/property.ts";
import { askings } from "#core/kit/role.ts";
import { patternNames, patternOf } from "#core/patterns/registry.ts";
import { CAUTIONS } from "#core/things/cautions.ts";
import { FLOORS } from "#core/things/floors.ts";
import { ROOMS } from "#core/things/item.ts";
import { en as base } from "./en.ts";
import { enGame } from "./en-game.ts";
import { enHome } from "./en-home.ts";
import { gameWords } from "./games/all.ts";
import { addWords, itemName, namesOf, say, sayPhrase, sayScore } from "./say.ts";
import { hasLabel } from "./teacher.ts";

const games: Record<string, string> = Object.assign({}, ...Object.values(gameWords));
addWords(enGame);
addWords(games);
const en: Readonly<Record<string, string>> = { ...base, ...enGame, ...games, ...enHome };

type Ast = readonly { type: number; value?: string; options?: Record<string, { value: Ast }> }[];
/** A message with each choice of its selects and plurals in turn; what is filled in is one word. */
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
      ...patternNames.flatMap((n) => patternOf(n).phrases),
      ...patternNames.flatMap((n) => opened(fromPattern(n)).knobs()).flatMap((k) => k.family?.key ?? []),
      ...CAUTIONS.map((c) => `caution.${c}`),
      ...catalogue.map((i) => `item.${i.id}`),
      ...catalogue.flatMap((i) => i.made?.steps.map((x) => x.text) ?? []),
      ...PROPERTIES.map((p) => `property.${p}`),
      ...FLOORS.map((f) => `floor.${f}`),
      ...ROOMS.filter((r) => r !== "made").map((r) => `room.${r}`),
    ];
    expect(wanted.filter((k) => !(k in en))).toEqual([]);
  });
  it("gives a device that plays one game all of its sentences, and those of no other", () => {
    for (const n of patternNames) {
      const here = { ...base, ...enGame, ...gameWords[n] };
      expect(
        patternOf(n).phrases.filter((k) => !(k in here)),
        n,
      ).toEqual([]);
    }
    const keys = [base, enGame, ...Object.values(gameWords)].flatMap((words) => Object.keys(words));
    expect(keys.filter((k, i) => keys.indexOf(k) !== i)).toEqual([]);
  });
  it("has a drawing for every thing, and for every step of making one", () => {
    expect(catalogue.map((i) => i.drawing).filter((d) => !(d in paths))).toEqual([]);
    expect(catalogue.flatMap((i) => i.made?.steps.map((x) => x.drawing) ?? []).filter((d) => !(d in paths))).toEqual(
      [],
    );
    expect(readFileSync(new URL("../app/drawings/drawings.svg", import.meta.url), "utf8")).toBe(drawingSheet());
    expect(new Set(Object.values(paths)).size).toBe(Object.keys(paths).length);
    expect(askings.map((a) => `asks.${a.id}`).filter((k) => !hasLabel(k))).toEqual([]);
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
  const own = (u: string) => (["points", "sends", "tenths"].includes(u) ? [] : [`score.${u}`]);
  for (const unit of UNITS) {
    for (const key of [`unit.${unit}`, ...own(unit)]) expect(Object.keys(en), key).toContain(key);
    for (const key of [`unit.${unit}`, ...own(unit).map((k) => k.replace("score", "strip"))])
      expect(hasLabel(key), key).toBe(true);
  }
});
