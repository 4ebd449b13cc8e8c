import { describe, expect, it } from "vitest";
import { catalogue, catalogueItem } from "./catalogue.ts";
import { propertyOf } from "./property.ts";
import { askings, broken, limit, limitOf, wishOf, wordsOf } from "./role.ts";

const ask = (id: string) => askings.find((asking) => asking.id === id)!;
const boards = { floor: "boards", move: "ground" } as const;

describe("what is asked of a role", () => {
  it("is empty until something is asked", () => {
    expect(wordsOf([], "send")).toEqual({ role: "send", limits: [], wishes: [] });
    const asked = { role: "send", limits: [{ property: "softness" as const, least: 0.7 }], wishes: [] };
    expect(wordsOf([asked], "send")).toBe(asked);
    expect(limitOf(asked, ask("soft"))).toBe(asked.limits[0]);
    expect(limitOf(asked, ask("quiet"))).toBeUndefined();
  });
  it("tells wide from narrow: a limit by its side, a wish by the nearer number", () => {
    const both = { role: "t", limits: [{ property: "width" as const, least: 0.25 }], wishes: [] };
    expect(limitOf(both, ask("wide"))).toBeDefined();
    expect(limitOf(both, ask("narrow"))).toBeUndefined();
    const wish = (toward: number) => ({
      role: "t",
      limits: [],
      wishes: [{ property: "width" as const, toward, weight: 1 }],
    });
    expect(wishOf(wish(0.1), ask("narrow"), "target")).toBeDefined();
    expect(wishOf(wish(0.1), ask("wide"), "target")).toBeUndefined();
    expect(wishOf(wish(0.3), ask("wide"), "target")).toBeDefined();
    // The same number speaks of the hand where it is about what is sent.
    expect(wishOf(wish(0.1), ask("smallHand"), "send")).toBeDefined();
  });
  it("is broken by what is too little, too much, or not there at all", () => {
    const cup = catalogueItem("cup")!;
    const book = catalogueItem("book")!;
    expect(broken(cup, [{ property: "opening", least: 0.07 }], boards)).toEqual([]);
    expect(broken(cup, [{ property: "opening", least: 0.2 }], boards)).toHaveLength(1);
    expect(broken(book, [{ property: "opening", least: 0.01 }], boards)).toHaveLength(1);
    expect(
      broken(
        cup,
        [
          { property: "ask", most: 0 },
          { property: "breakable", most: 0 },
        ],
        boards,
      ),
    ).toHaveLength(2);
    expect(broken(cup, [{ property: "width", least: 0.09, most: 0.09 }], boards)).toEqual([]);
  });
  it("refuses a limit that says nothing, or contradicts itself", () => {
    const told = (l: object) => limit.safeParse(l).error?.issues[0]?.message ?? "";
    expect(told({ property: "width" })).toContain("least, most or both");
    expect(told({ property: "width", least: 2, most: 1 })).toContain("most must not be below least");
    expect(told({ property: "charm", least: 1 })).toContain("property must be one of");
    expect(told({ property: "width", least: Number.NaN })).toContain("a limit must be a number");
  });
  it("offers words that let something through and keep something out, each on its own number", () => {
    for (const asking of askings) {
      const use = asking.for[0]!;
      const list = catalogue.filter((item) => item.uses.includes(use));
      const kept = list.filter(
        (item) => broken(item, [{ property: asking.property, [asking.side]: asking.value }], boards).length === 0,
      );
      expect(kept.length, asking.id).toBeGreaterThan(0);
      expect(kept.length, asking.id).toBeLessThan(list.length);
    }
  });
  it("reads every property of every thing as a number, or as not there", () => {
    for (const item of catalogue)
      for (const asking of askings) {
        const value = propertyOf(item, asking.property, boards);
        expect(value === null || Number.isFinite(value), `${item.id} ${asking.property}`).toBe(true);
      }
    expect(propertyOf(catalogueItem("jarLid")!, "slides", { floor: "grass", move: "slide" })).toBeLessThan(0.3);
    expect(propertyOf(catalogueItem("book")!, "gap", boards)).toBeNull();
    expect(propertyOf(catalogueItem("paperBall")!, "made", boards)).toBe(2);
  });
});
