import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DEEPEST, wellFormed, wellFormedJson } from "./well-formed.ts";

describe("text at the rim", () => {
  it("loses NUL and half characters, and nothing else", () => {
    expect(wellFormed("a\uD83D\u0000b")).toBe("a\uFFFDb");
    expect(wellFormed("\uDE00\uD83D")).toBe("\uFFFD\uFFFD");
    expect(wellFormed("Zoë 😀 كرة\n")).toBe("Zoë 😀 كرة\n");
  });
  it("is well-formed after, and unchanged a second time, whatever it was", () => {
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), (text) => {
        const once = wellFormed(text);
        expect(() => encodeURIComponent(once)).not.toThrow();
        expect(once).not.toContain("\0");
        expect(wellFormed(once)).toBe(once);
      }),
    );
  });
  it("of JSON: texts and keys, at any depth that is ours", () => {
    const given = JSON.parse('{"a\\u0000":["\\ud800",1,null,{"__proto__":"\\u0000x"}]}');
    const told = wellFormedJson(given) as Record<string, unknown[]>;
    expect(JSON.stringify(told)).toBe('{"a":["\uFFFD",1,null,{"__proto__":"x"}]}');
    let deep: unknown = 1;
    for (let i = 0; i < DEEPEST; i++) deep = [deep];
    expect(() => wellFormedJson(deep)).not.toThrow();
    expect(() => wellFormedJson([deep])).toThrow(RangeError);
  });
});
