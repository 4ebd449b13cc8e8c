import { IntlMessageFormat } from "intl-messageformat";
import { describe, expect, it } from "vitest";
import { blockerItems, CAUTIONS, markerItems, sendItems, targetItems } from "#core/kit/items.ts";
import { patternNames, patternOf } from "#core/patterns/registry.ts";
import { en } from "./en.ts";
import { say, sayScore } from "./say.ts";

describe("the catalogue", () => {
  it("has a sentence for everything the core can say", () => {
    const wanted = [
      ...patternNames.flatMap((n) => patternOf(n).phrases),
      ...CAUTIONS.map((c) => `caution.${c}`),
      ...[...sendItems, ...targetItems].map((i) => `item.${i.id}`),
      ...[...markerItems, ...blockerItems].map((i) => `item.${i}`),
    ];
    expect(wanted.filter((k) => !(k in en))).toEqual([]);
  });
  it("parses every message, and keeps family sentences to ten words", () => {
    for (const [key, text] of Object.entries(en)) {
      expect(() => new IntlMessageFormat(text, "en"), key).not.toThrow();
      const plain = text.replace(/\{[^{}]*(\{[^{}]*\}[^{}]*)*\}/g, "x");
      for (const sentence of plain.split(/(?<=[.?!])\s+/))
        expect(sentence.trim().split(/\s+/).length, `${key}: ${sentence}`).toBeLessThanOrEqual(10);
    }
  });
  it("says plurals and seconds", () => {
    expect(say("play.points", { points: 1 })).toBe("1 point");
    expect(sayScore(235, "tenths")).toBe("23.5 seconds");
    expect(say("climb.summary.points", { tries: 24, first: 3, growth: 0 })).toBe("24 tries, 3 points a rung");
  });
});
