import { describe, expect, test } from "vitest";
import { CALL_RANGE, CALL_SIGNS, callCode, readCallCode } from "./call-code.ts";

describe("three signs for a call", () => {
  test("say every standing below the range, and no two the same", () => {
    const all = new Set<string>();
    for (let mine = 0; mine < CALL_RANGE; mine += 3)
      for (let theirs = 0; theirs < CALL_RANGE; theirs++)
        for (const turn of ["mine", "theirs"] as const) {
          const code = callCode({ mine, theirs, turn });
          expect(code).toHaveLength(3);
          expect(readCallCode(code, { mine, theirs })).toEqual({ mine, theirs, turn });
          all.add(code);
        }
    expect(all.size).toBe(Math.ceil(CALL_RANGE / 3) * CALL_RANGE * 2);
  });
  test("follow scores beyond the range, as long as no step is half of it", () => {
    let before = { mine: 0, theirs: 0 };
    for (let n = 0; n < 900; n += 37) {
      const read = readCallCode(callCode({ mine: n, theirs: Math.max(0, 500 - n), turn: "mine" }), {
        ...before,
        ...(n === 0 && { theirs: 500 }),
      })!;
      expect(read).toEqual({ mine: n, theirs: Math.max(0, 500 - n), turn: "mine" });
      before = read;
    }
  });
  test("may be typed small and with gaps; anything else is none", () => {
    const code = callCode({ mine: 3, theirs: 41, turn: "theirs" });
    expect(readCallCode(` ${code.toLowerCase().split("").join(" ")}. `)).toEqual({
      mine: 3,
      theirs: 41,
      turn: "theirs",
    });
    for (const no of ["", "AB", "ABCD", "A1B", "AB0", "ÄBC"]) expect(readCallCode(no)).toBeNull();
    expect(new Set(CALL_SIGNS).size).toBe(32);
  });
});
