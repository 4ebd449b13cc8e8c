import { describe, expect, it } from "vitest";
import { percentTick } from "./percent.ts";

describe("figures of an axis", () => {
  it("are read without the dust of adding fractions up", () => {
    const shares = [0.07, 0.14, 0.79].reduce((a, b) => a + 100 * b, 0);
    expect(String(shares)).not.toBe("100");
    expect([shares, 100 * (0.1 + 0.2), 33.34, 0].map(percentTick)).toEqual(["100 %", "30 %", "33.3 %", "0 %"]);
  });
});
