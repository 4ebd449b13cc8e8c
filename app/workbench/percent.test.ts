import { describe, expect, it } from "vitest";
import { percentTick } from "./percent.ts";

describe("figures of an axis", () => {
  it("are read without the dust of adding fractions up", () => {
    expect([100.00000000000001, 100 * (0.1 + 0.2), 33.34, 0].map(percentTick)).toEqual(["100%", "30%", "33.3%", "0%"]);
  });
});
