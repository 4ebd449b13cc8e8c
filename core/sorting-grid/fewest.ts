import { bestFirst, type Fewest } from "./best-first.ts";
import { type Cells, collected, greedyTrips, pairsIn, type Reach, rowsIn, swapped } from "./grid.ts";
import { ordersOf } from "./orders.ts";
import { PACKED_MOST, pack, searchPacked } from "./packed.ts";

/** How many squares a search examines before it returns its bounds. */
export const SEARCH_BUDGET = 400_000;

/**
 * A lower bound of the trips: each row ends up with one kind, a swap moves two items between rows (with `next`, by
 * one row), and the best assignment of kinds to rows is taken. With `line`, every wrong item of the near row takes a
 * trip as well.
 */
export function atLeast(cells: Cells, count: number, reach: Reach): number {
  const rows = rowsIn(cells, count);
  if (rows === 0) return 0;
  // How many of each kind are in each row. Kinds that are gone are left out.
  const kinds: number[] = [];
  for (const cell of cells) if (!kinds.includes(cell)) kinds.push(cell);
  const cost: number[][] = [];
  for (let r = 0; r < rows; r++) {
    const row: number[] = [];
    for (const kind of kinds) {
      let sum = 0;
      for (let i = 0; i < cells.length; i++)
        if (cells[i] === kind) {
          const away = Math.abs(Math.floor(i / count) - r);
          sum += reach === "next" ? away : away > 0 ? 1 : 0;
        }
      row.push(sum);
    }
    cost.push(row);
  }
  let best = Number.POSITIVE_INFINITY;
  for (const order of ordersOf(kinds.length)) {
    let sum = 0;
    for (let r = 0; r < rows; r++) sum += cost[r]![order[r]!]!;
    if (sum < best) best = sum;
  }
  return Math.ceil(best / 2);
}

/**
 * A square as a text. With `line`, the order of the columns does not matter; with `next`, a square and its mirror
 * image are equal.
 */
function keyOf(cells: Cells, count: number, reach: Reach): string {
  const rows = rowsIn(cells, count);
  const column = (c: number) => {
    let k = 0;
    for (let r = 0; r < rows; r++) k = k * count + cells[r * count + c]!;
    return k;
  };
  const all = Array.from({ length: count }, (_, c) => column(c));
  // The names of the kinds do not matter, so they are numbered in order of appearance.
  const named = (list: number[]) => {
    const names = new Map<number, number>();
    let text = "";
    for (const k of list) {
      let left = k;
      const digits: number[] = [];
      for (let r = 0; r < rows; r++) {
        digits.unshift(left % count);
        left = Math.floor(left / count);
      }
      for (const digit of digits) {
        if (!names.has(digit)) names.set(digit, names.size);
        text += names.get(digit);
      }
    }
    return `${rows}:${text}`;
  };
  if (reach === "line") return named(all.sort((a, b) => a - b));
  return [named(all), named([...all].reverse())].sort()[0]!;
}

/**
 * The fewest trips that collect a square, by a best-first search with an admissible bound. Proved, unless the search
 * meets more squares than the budget allows; then bounds, of which the upper one is sensible play. `most`: the search
 * stops once it is certain that more trips are needed. Source: core model, "Letters, numbers, squares".
 */
export function fewestTrips(
  given: Cells,
  count: number,
  reach: Reach,
  {
    budget = SEARCH_BUDGET,
    most = Number.POSITIVE_INFINITY,
    stop,
  }: { budget?: number; most?: number; stop?: () => boolean } = {},
): Fewest {
  const start = collected(given, count).cells;
  if (start.length === 0) return { lower: 0, upper: 0 };
  const upper = greedyTrips(start, count, reach);
  if (count <= PACKED_MOST)
    return searchPacked(
      { square: pack(start), rows: rowsIn(start, count) },
      { count, reach },
      { upper, budget, most, stop },
    );
  return bestFirst(
    start,
    {
      key: (cells) => keyOf(cells, count, reach),
      bound: (cells) => atLeast(cells, count, reach),
      next: (cells) =>
        pairsIn(rowsIn(cells, count), count, reach).flatMap(([one, other]) => {
          if (cells[one] === cells[other]) return [];
          const left = collected(swapped(cells, one, other), count).cells;
          return [left.length === 0 ? null : left];
        }),
    },
    { upper, budget, most, stop },
  );
}
