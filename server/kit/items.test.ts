import fc from "fast-check";
import { beforeAll, describe, expect, it, vi } from "vitest";
import { item } from "#core/items/item.ts";
import { catalogue } from "#core/kit/catalogue.ts";
import { listOf } from "#core/kit/items.ts";

let items: typeof import("./items.ts");
beforeAll(async () => {
  vi.stubEnv("YARD_APP_DATABASE_URL", "postgres://nobody@127.0.0.1/none");
  vi.stubEnv("YARD_SECRET", "a secret of thirty-two characters");
  items = await import("./items.ts");
});

describe("the list of things as CSV", () => {
  it("goes out and comes in as it was, but for how things are made", () => {
    const back = items.readItemsCsv(items.itemsToCsv(catalogue));
    expect(back).toHaveLength(catalogue.length);
    catalogue.forEach((eachItem, n) => {
      const read = item.parse(back[n]);
      expect(read).toEqual({ ...eachItem, made: null, always: false });
    });
  });

  it("leaves what is not a number as it was typed, so that the check can name it", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("width", "mass", "softness", "count", "noise"),
        fc.constantFrom("many", "", "1e999", "NaN"),
        (column, typed) => {
          const row = { ...items.itemToRow(catalogue[0]!), [column]: typed } as Record<string, string>;
          const read = item.safeParse(
            items.rowToItem(Object.fromEntries(Object.entries(row).map(([key, value]) => [key, String(value)]))),
          );
          expect(read.success).toBe(false);
          expect(read.error!.issues[0]!.path).toEqual([column]);
          expect(read.error!.issues[0]!.message).toContain(column);
        },
      ),
    );
  });

  it("refuses other columns by name", () => {
    expect(() => items.readItemsCsv("id,name\nx,y")).toThrow("This file has no columns called drawing, room");
    const csv = items
      .itemsToCsv(catalogue.slice(0, 1))
      .replace("id,name", "id,colour,name")
      .replace(/\nsockBall,/, "\nsockBall,red,");
    expect(() => items.readItemsCsv(csv)).toThrow("This file has columns we don't know: colour");
  });
});

describe("a school's list", () => {
  it("is the tool's, with the school's changes in their place, its own behind, and without what it hides", () => {
    const [first, second] = [catalogue[0]!, catalogue[1]!];
    const heavy = { ...first, mass: 0.5 };
    const own = { ...second, id: "feltPuck", name: "felt puck" };
    const list = listOf([heavy, own], [second.id]);
    expect(list[0]).toBe(heavy);
    expect(list.some((eachItem) => eachItem.id === second.id)).toBe(false);
    expect(list.at(-1)).toBe(own);
    expect(list).toHaveLength(catalogue.length);
    expect(listOf([])).toEqual([...catalogue]);
  });
  it("refuses a thing that cannot be, by field", () => {
    const told = (over: object) => item.safeParse({ ...catalogue[0], ...over }).error?.issues[0]?.message ?? "";
    expect(told({ id: "two words" })).toContain("id must begin with a letter");
    expect(told({ uses: [] })).toContain("uses must name at least one");
    expect(told({ uses: ["juggling"] })).toContain("uses must be among");
    expect(told({ width: 0 })).toContain("width must be 0.001 m or more");
    expect(told({ softness: 1.2 })).toContain("softness must be 1 or less");
    expect(told({ material: "cheese" })).toContain("material must be one of");
    expect(told({ count: 0 })).toContain("count must be 1 or more");
    expect(told({ source: " " })).toContain("source must not be empty");
    expect(told({ made: { minutes: 5, from: [], tools: [], steps: [] } })).toContain("at least 1 step");
  });
});
