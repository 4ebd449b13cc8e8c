import { bestFirst, type Fewest } from "./best-first.ts";
import type { Reach } from "./grid.ts";
import { pairsIn } from "./grid.ts";
import { ordersOf } from "./orders.ts";

/**
 * Squares of up to four kinds packed into whole numbers, two bits for each cell, the near row lowest, so that many
 * can be examined quickly. The number of rows is kept separately.
 */
export const PACKED_MOST = 4;

export function pack(cells: readonly number[]): number {
  let s = 0;
  for (let i = cells.length - 1; i >= 0; i--) s = s * 4 + cells[i]!;
  return s >>> 0;
}
const rowMask = (count: number) => (count === 4 ? 0xff : (1 << (2 * count)) - 1);
/** A row of one kind, by kind. */
const ones = (count: number) =>
  Array.from({ length: count }, (_, k) => [...Array(count).keys()].reduce((sum) => sum * 4 + k, 0));
const sames = new Map([2, 3, 4].map((n) => [n, new Set(ones(n))]));

/** All ways to assign kinds to rows, indexed by the number of kinds. */
const orders = [0, 1, 2, 3, 4].map(ordersOf);

/** The search over packed squares of `n` kinds. */
export class Packed {
  private readonly mask: number;
  private readonly same: ReadonlySet<number>;
  private readonly counts = new Int32Array(16);
  private readonly columns = new Int32Array(4);
  private readonly kinds = new Int32Array(4);
  private readonly bits: number;
  constructor(
    private readonly n: number,
    private readonly reach: Reach,
  ) {
    this.mask = rowMask(n);
    this.bits = 2 * n;
    this.same = sames.get(n)!;
  }

  /** The number of rows left after every complete near row is removed. `left` holds what is left. */
  left = 0;
  collect(s: number, rows: number): number {
    let [left, r] = [s, rows];
    while (r > 0 && this.same.has((left & this.mask) >>> 0)) {
      left = left >>> this.bits;
      // With all 32 bits of four rows, the highest row is filled with zeros.
      r--;
    }
    this.left = left >>> 0;
    return r;
  }
  swap(s: number, one: number, other: number): number {
    const [x, y] = [(s >>> (2 * one)) & 3, (s >>> (2 * other)) & 3];
    if (x === y) return s;
    const difference = x ^ y;
    return (s ^ (difference << (2 * one)) ^ (difference << (2 * other))) >>> 0;
  }

  /**
   * A lower bound of the trips. With `line`: of the items in wrong rows, two are put right by one trip if each is in
   * the other's row, and longer cycles save at most one trip in three; the best assignment of kinds to rows is taken.
   * With `next`: every row up or down is half a trip.
   */
  bound(s: number, rows: number): number {
    const { n: count, counts, kinds } = this;
    counts.fill(0);
    for (let i = 0; i < rows * count; i++) counts[((s >>> (2 * i)) & 3) * 4 + ((i / count) | 0)]!++;
    let metres = 0;
    for (let k = 0; k < count; k++)
      if (counts[k * 4]! + counts[k * 4 + 1]! + counts[k * 4 + 2]! + counts[k * 4 + 3]! > 0) kinds[metres++] = k;
    let best = 1e9;
    for (const order of orders[metres]!) {
      let wrong = 0;
      let pairs = 0;
      let far = 0;
      for (let r = 0; r < rows; r++) {
        const k = kinds[order[r]!]! * 4;
        wrong += count - counts[k + r]!;
        for (let q = 0; q < r; q++) {
          const [there, back] = [counts[k + q]!, counts[kinds[order[q]!]! * 4 + r]!];
          pairs += Math.min(there, back);
          far += (there + back) * (r - q);
        }
      }
      const trips = this.reach === "line" ? wrong - pairs - Math.floor((wrong - 2 * pairs) / 3) : (far + 1) >> 1;
      if (trips < best) best = trips;
    }
    return best;
  }

  /**
   * Equal for squares that are alike: with `line`, whatever the order of the columns; with `next`, for mirror images.
   */
  key(s: number, rows: number): number {
    const { n: count, columns } = this;
    for (let c = 0; c < count; c++) {
      let k = 0;
      for (let r = 0; r < rows; r++) k = (k << 2) | ((s >>> (2 * (r * count + c))) & 3);
      columns[c] = k;
    }
    const width = 4 ** rows;
    if (this.reach === "line") {
      for (let c = 1; c < count; c++) {
        const k = columns[c]!;
        let i = c - 1;
        for (; i >= 0 && columns[i]! > k; i--) columns[i + 1] = columns[i]!;
        columns[i + 1] = k;
      }
      let out = 0;
      for (let c = 0; c < count; c++) out = out * width + columns[c]!;
      return out * 8 + rows;
    }
    let [one, other] = [0, 0];
    for (let c = 0; c < count; c++) {
      one = one * width + columns[c]!;
      other = other * width + columns[count - 1 - c]!;
    }
    return Math.min(one, other) * 8 + rows;
  }

  pairs(rows: number) {
    return pairsIn(rows, this.n, this.reach);
  }
}

/** A state is one number: the packed square times this, plus the number of rows left. */
const ROWS = 8;
const squareOf = (state: number) => Math.floor(state / ROWS);
const rowsOf = (state: number) => state % ROWS;

/** The fewest trips of a packed square without a complete near row, or bounds of it; see `fewestTrips`. */
export function searchPacked(
  { square, rows }: { square: number; rows: number },
  { count, reach }: { count: number; reach: Reach },
  given: Parameters<typeof bestFirst>[2],
): Fewest {
  const packed = new Packed(count, reach);
  return bestFirst(
    square * ROWS + rows,
    {
      key: (state) => packed.key(squareOf(state), rowsOf(state)),
      bound: (state) => packed.bound(squareOf(state), rowsOf(state)),
      next(state) {
        const [s, all] = [squareOf(state), rowsOf(state)];
        const out: (number | null)[] = [];
        for (const [one, other] of packed.pairs(all)) {
          const moved = packed.swap(s, one, other);
          if (moved === s) continue;
          const left = packed.collect(moved, all);
          out.push(left === 0 ? null : packed.left * ROWS + left);
        }
        return out;
      },
    },
    given,
  );
}
