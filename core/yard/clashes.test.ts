import { describe, expect, it } from "vitest";
import { catalogueItem } from "../kit/catalogue.ts";
import { sendingOf } from "../physics/send.ts";
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
const object = { diameter: 0.08, inAir: false };
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
  it("name what a layout stands in the way of, who is within reach, and what would touch the ceiling", () => {
    const post = (along: number, across: number): Part => ({
      kind: "obstacle",
      id: "x.g1",
      along,
      across,
      depth: 0.1,
      width: 0.1,
      item: "shoe",
      label: "",
    });
    const one = target("a", 2, 0, 0.3);
    expect(told([one, post(1, 0)])).toEqual([{ kind: "inWay", ids: ["x.g1", "a"] }]);
    expect(told([one, post(1, 0)], { inAir: true })).toEqual([]);
    expect(told([one, post(2, 0.1)])).toEqual([{ kind: "together", ids: ["x.g1", "a"] }]);
    expect(told([one, post(1, 0.6)])).toEqual([]);
    expect(told([one, post(1, 0.6)], { swing: 1.4 })).toEqual([{ kind: "swing", ids: ["x.g1"], clear: 1.4 }]);
    const friend: Part = { kind: "person", id: "x.other", along: 1.5, across: 0.8, role: "receiver" };
    expect(told([one, friend], { away: 2 })).toEqual([{ kind: "swing", ids: ["x.other"], clear: 2 }]);
    expect(told([one, friend], { away: 1.2 })).toEqual([]);
    const lob = { inAir: true, sends: sendingOf(8, "pushThrow", catalogueItem("sockBall")!, "boards") };
    expect(told([one], { ...lob, ceiling: 4 })).toEqual([]);
    expect(told([one], { ...lob, ceiling: 1.3 })).toMatchObject([{ kind: "ceiling", ids: ["a"] }]);
  });
  it("in the air nothing hides what stands behind it", () => {
    expect(told([target("b", 3, 0, 0.2), target("a", 1.5, 0, 0.3)], { inAir: true })).toEqual([]);
  });
});
