import { describe, expect, it } from "vitest";
import { clashesOf } from "./clashes.ts";
import type { Part } from "./parts.ts";

const target = (id: string, along: number, across: number, width: number, gap?: number): Part => ({
  kind: "target",
  id,
  along,
  across,
  width,
  height: 0.3,
  item: "box",
  label: "",
  rule: gap === undefined ? { kind: "touch", width } : { kind: "through", gap },
});
const start: Part = { kind: "line", id: "start", along: 0, across: 0, width: 1, role: "start" };
const object = { diameter: 0.08, runOn: 0.2, inAir: false };
const told = (parts: Part[], over: object = {}) =>
  clashesOf([start, ...parts], { length: 5, width: 2 }, { ...object, ...over });

describe("clashes", () => {
  it("are none where everything has its place", () => {
    expect(told([target("a", 2, -0.5, 0.3), target("b", 3, 0.5, 0.3)])).toEqual([]);
  });
  it("name two in one place, one beyond the space, one hidden behind another, and a gap that is too small", () => {
    expect(told([target("a", 2, 0, 0.3), target("b", 2.1, 0.1, 0.3)])).toMatchObject([
      { kind: "together", ids: ["a", "b"] },
    ]);
    expect(told([target("a", 2, 0.95, 0.3)])).toEqual([{ kind: "outside", ids: ["a"] }]);
    expect(told([target("a", 5.2, 0, 0.3)])).toEqual([{ kind: "outside", ids: ["a"] }]);
    expect(told([target("b", 3, 0, 0.2), target("a", 1.5, 0, 0.3)])).toMatchObject([
      { kind: "hides", ids: ["a", "b"], share: 1 },
    ]);
    expect(told([target("a", 2, 0, 0.3, 0.07)])).toEqual([{ kind: "tooSmall", ids: ["a"] }]);
  });
  it("in the air nothing hides what stands behind it", () => {
    expect(told([target("b", 3, 0, 0.2), target("a", 1.5, 0, 0.3)], { inAir: true })).toEqual([]);
  });
});
