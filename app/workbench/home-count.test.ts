import { describe, expect, it } from "vitest";
import { countHomes } from "./home-count.ts";

describe("homes are counted in one way", () => {
  it("a child once, in the best of its homes, and all of them add up", () => {
    const says: Record<string, boolean | null> = { yes: true, no: false, silent: null };
    const count = countHomes(
      [
        { child: "Ada B.", homes: ["no", "yes"] },
        { child: "Ben C.", homes: ["yes"] },
        { child: "Cleo D.", homes: ["silent", "no"] },
        { child: "Dan E.", homes: ["silent"] },
        { child: "Eve F.", homes: [] },
      ],
      (id) => says[id]!,
    );
    expect(count).toEqual({ can: 2, cannot: 1, silent: 2, all: 5 });
    expect(count.can + count.cannot + count.silent).toBe(count.all);
  });
});
