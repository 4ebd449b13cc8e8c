/**
 * A square of items on the floor: `n` kinds, `n` of each, row by row from the near one, each row from left to right.
 * Cells are numbers of kinds, from 0. Collected items are gone, so that a square has 1 to n rows of n.
 */
export type Cells = readonly number[];
/** Which two cells can be swapped: neighbours, or any two in one row or column. */
export const REACHES = ["next", "line"] as const;
export type Reach = (typeof REACHES)[number];
export const MIN_N = 2;
export const MAX_N = 5;

export const rowsIn = (cells: Cells, count: number): number => cells.length / count;
const complete = (cells: Cells, count: number): boolean => {
  for (let i = 1; i < count; i++) if (cells[i] !== cells[0]) return false;
  return true;
};
/** Removes every complete near row, one after the other. Returns what is left, and how many rows were removed. */
export function collected(cells: Cells, count: number): { cells: Cells; rows: number } {
  let left = cells;
  let rows = 0;
  while (left.length > 0 && complete(left, count)) {
    left = left.slice(count);
    rows++;
  }
  return { cells: left, rows };
}
/** True if two cells may be swapped: in one row or column, and as near to each other as `reach` requires. */
export function maySwap(one: number, other: number, count: number, reach: Reach): boolean {
  const [ra, rb] = [Math.floor(one / count), Math.floor(other / count)];
  const [ca, cb] = [one % count, other % count];
  if (one === other || (ra !== rb && ca !== cb)) return false;
  return reach === "line" || Math.abs(ra - rb) + Math.abs(ca - cb) === 1;
}
export function swapped(cells: Cells, one: number, other: number): number[] {
  const next = [...cells];
  [next[one], next[other]] = [cells[other]!, cells[one]!];
  return next;
}
/** All pairs that may be swapped in this many rows, lower positions first. */
export function pairsIn(rows: number, count: number, reach: Reach): readonly (readonly [number, number])[] {
  const key = `${rows} ${count} ${reach}`;
  let found = known.get(key);
  if (!found) {
    const all: [number, number][] = [];
    for (let a = 0; a < rows * count; a++)
      for (let b = a + 1; b < rows * count; b++) if (maySwap(a, b, count, reach)) all.push([a, b]);
    found = all;
    known.set(key, found);
  }
  return found;
}
const known = new Map<string, readonly (readonly [number, number])[]>();

/** True if the cells form a complete square: n of each of n kinds. */
export function isWhole(cells: Cells, givenCount: number): boolean {
  if (cells.length !== givenCount * givenCount) return false;
  const count = Array<number>(givenCount).fill(0);
  for (const cell of cells) {
    if (!Number.isInteger(cell) || cell < 0 || cell >= givenCount) return false;
    count[cell]!++;
  }
  return count.every((k) => k === givenCount);
}
/** The largest number of items of one kind in the near row. */
export function mostNear(cells: Cells, givenCount: number): number {
  const count = Array<number>(givenCount).fill(0);
  for (let i = 0; i < givenCount; i++) count[cells[i]!]!++;
  return Math.max(...count);
}
/**
 * The swap of sensible play: the one that leaves the most items of one kind in the near row, then the one that
 * collects the most rows, then the lower positions. Source: patterns, "Swap square". Null if nothing is left.
 */
export function greedy(cells: Cells, count: number, reach: Reach): readonly [number, number] | null {
  if (cells.length === 0) return null;
  let best: readonly [number, number] | null = null;
  let most = -1;
  for (const [one, other] of pairsIn(rowsIn(cells, count), count, reach)) {
    if (cells[one] === cells[other]) continue;
    const next = swapped(cells, one, other);
    const { rows } = collected(next, count);
    const worth = mostNear(next, count) * 10 + rows;
    if (worth > most) [most, best] = [worth, [one, other]];
  }
  return best;
}
/** The number of trips of sensible play, which always makes progress and so needs a limited number. */
export function greedyTrips(cells: Cells, count: number, reach: Reach): number {
  let left = collected(cells, count).cells;
  for (let trips = 0; trips < MAX_GREEDY; trips++) {
    if (left.length === 0) return trips;
    const pair = greedySwap(left, count, reach);
    left = collected(swapped(left, pair[0], pair[1]), count).cells;
  }
  return MAX_GREEDY;
}
const MAX_GREEDY = 200;
/** The greedy swap or, if that would go in circles, the swap that brings a wanted item closer to the near row. */
export function greedySwap(cells: Cells, count: number, reach: Reach): readonly [number, number] {
  const pair = greedy(cells, count, reach)!;
  const next = swapped(cells, pair[0], pair[1]);
  if (mostNear(next, count) > mostNear(cells, count) || collected(next, count).rows > 0) return pair;
  return nearer(cells, count, reach);
}
/** Brings the nearest item of the near row's commonest kind one step nearer to a place there that has another kind. */
function nearer(cells: Cells, givenCount: number, reach: Reach): readonly [number, number] {
  const count = Array<number>(givenCount).fill(0);
  for (let i = 0; i < givenCount; i++) count[cells[i]!]!++;
  const kind = count.indexOf(Math.max(...count));
  let best: { from: number; to: number; way: number } | null = null;
  for (let from = givenCount; from < cells.length; from++)
    for (let to = 0; to < givenCount; to++) {
      if (cells[from] !== kind || cells[to] === kind) continue;
      const way = Math.floor(from / givenCount) + Math.abs((from % givenCount) - to);
      if (!best || way < best.way) best = { from, to, way };
    }
  const { from, to } = best!;
  const column = from % givenCount;
  // Sideways first, then towards the near row.
  if (column !== to) {
    const aside = reach === "line" ? from - column + to : from + Math.sign(to - column);
    return [Math.min(from, aside), Math.max(from, aside)];
  }
  return [reach === "line" ? to : from - givenCount, from];
}
