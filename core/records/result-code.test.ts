import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { MAX_CODE_VALUE, readResultCode, resultCode } from "./result-code.ts";

const result = fc.record({
  card: fc.uuid(),
  play: fc.uuid(),
  value: fc.nat(MAX_CODE_VALUE),
  finished: fc.boolean(),
  stage: fc.nat(127),
});

describe("the code of a result", () => {
  it("says what was played, however it is typed", () => {
    fc.assert(
      fc.property(result, (r) => {
        const code = resultCode(r)!;
        expect(code).toMatch(/^([0-9A-Z]{4}-){5}[0-9A-Z]{3}$/);
        const read = readResultCode(` ${code.toLowerCase().replaceAll("-", " ")} `)!;
        expect(read).toMatchObject({ value: r.value, finished: r.finished, stage: r.stage });
        expect(r.card.replaceAll("-", "").startsWith(read.card)).toBe(true);
        expect(r.play.replaceAll("-", "").startsWith(read.play)).toBe(true);
      }),
    );
  });
  it("with one letter wrong, or two neighbours the wrong way round, is no code", () => {
    fc.assert(
      fc.property(result, fc.nat(21), fc.constantFrom(..."0123456789ABCDEFGHJKMNPQRSTVWXYZ"), (r, at, letter) => {
        const plain = resultCode(r)!.replaceAll("-", "");
        const wrong = plain.slice(0, at) + letter + plain.slice(at + 1);
        if (wrong !== plain) expect(readResultCode(wrong)).toBeNull();
        const turned = plain.slice(0, at) + plain[at + 1]! + plain[at]! + plain.slice(at + 2);
        if (turned !== plain) expect(readResultCode(turned)).toBeNull();
      }),
    );
  });
  it("of a score that it cannot say there is none", () => {
    const r = { card: "0", play: "0", finished: false, stage: 0 };
    for (const value of [-1, 0.5, MAX_CODE_VALUE + 1]) expect(resultCode({ ...r, value })).toBeNull();
    for (const text of ["", "hello", "0000-0000-0000-0000-0000-001"]) expect(readResultCode(text)).toBeNull();
  });
});
