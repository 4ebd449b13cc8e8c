import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { assign } from "./assign.ts";

/** Every way to give rows columns of their own. */
function bestByTrying(costs: number[][], row = 0, used = 0): number {
  if (row === costs.length) return 0;
  let best = Number.POSITIVE_INFINITY;
  costs[row]!.forEach((c, j) => {
    if ((used >> j) & 1) return;
    best = Math.min(best, c + bestByTrying(costs, row + 1, used | (1 << j)));
  });
  return best;
}

describe("assigning", () => {
  it("gives every row a column of its own at the least cost", () => {
    expect(
      assign([
        [4, 1, 3],
        [2, 0, 5],
        [3, 2, 2],
      ]),
    ).toEqual({ columns: [1, 0, 2], cost: 5 });
    expect(assign([])).toEqual({ columns: [], cost: 0 });
    expect(assign([[7, 3]])).toEqual({ columns: [1], cost: 3 });
  });
  it("is never beaten by trying them all", () => {
    const matrix = fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 0, max: 3 })).chain(([count, more]) =>
      fc.array(fc.array(fc.integer({ min: 0, max: 50 }), { minLength: count + more, maxLength: count + more }), {
        minLength: count,
        maxLength: count,
      }),
    );
    fc.assert(
      fc.property(matrix, (costs) => {
        const { columns, cost } = assign(costs);
        expect(new Set(columns).size).toBe(costs.length);
        expect(cost).toBe(bestByTrying(costs));
      }),
      { numRuns: 200 },
    );
  });
});
