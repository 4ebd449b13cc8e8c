/**
 * A square of things on the floor: `n` kinds, `n` of each, row by row from the near one, each row from left to right. Cells are numbers of kinds, from 0. What
 * is collected is gone, so that a square has 1 to n rows of n.
 */
export type Cells = readonly number[];
/** Two cells are swapped that lie next to each other, or anywhere in one row or column. */
export const REACHES = ["next", "line"] as const;
export type Reach = (typeof REACHES)[number];
export const MIN_N = 2;
export const MAX_N = 5;

export const rowsIn = (cells: Cells, n: number): number => cells.length / n;
const complete = (cells: Cells, n: number): boolean => {
  for (let i = 1; i < n; i++) if (cells[i] !== cells[0]) return false;
  return true;
};
/** Takes every complete near row away, one after the other; answers with what is left, and how many rows went. */
export function collected(cells: Cells, n: number): { cells: Cells; rows: number } {
  let left = cells;
  let rows = 0;
  while (left.length > 0 && complete(left, n)) {
    left = left.slice(n);
    rows++;
  }
  return { cells: left, rows };
}
/** Whether two cells may be swapped: in one row or column, and as near to each other as the reach says. */
export function maySwap(a: number, b: number, n: number, reach: Reach): boolean {
  const [ra, rb] = [Math.floor(a / n), Math.floor(b / n)];
  const [ca, cb] = [a % n, b % n];
  if (a === b || (ra !== rb && ca !== cb)) return false;
  return reach === "line" || Math.abs(ra - rb) + Math.abs(ca - cb) === 1;
}
export function swapped(cells: Cells, a: number, b: number): number[] {
  const next = [...cells];
  [next[a], next[b]] = [cells[b]!, cells[a]!];
  return next;
}
/** All pairs that may be swapped in so many rows, lower positions first. */
export function pairsIn(rows: number, n: number, reach: Reach): readonly (readonly [number, number])[] {
  const key = `${rows} ${n} ${reach}`;
  let found = known.get(key);
  if (!found) {
    const all: [number, number][] = [];
    for (let a = 0; a < rows * n; a++)
      for (let b = a + 1; b < rows * n; b++) if (maySwap(a, b, n, reach)) all.push([a, b]);
    found = all;
    known.set(key, found);
  }
  return found;
}
const known = new Map<string, readonly (readonly [number, number])[]>();

/** Whether cells are a whole square: n of each of n kinds. */
export function isWhole(cells: Cells, n: number): boolean {
  if (cells.length !== n * n) return false;
  const count = Array<number>(n).fill(0);
  for (const c of cells) {
    if (!Number.isInteger(c) || c < 0 || c >= n) return false;
    count[c]!++;
  }
  return count.every((k) => k === n);
}
/** The largest number of one kind in the near row. */
export function mostNear(cells: Cells, n: number): number {
  const count = Array<number>(n).fill(0);
  for (let i = 0; i < n; i++) count[cells[i]!]!++;
  return Math.max(...count);
}
/**
 * The swap of sensible play: the one that leaves most of one kind in the near row, then the one that collects most rows, then the lower positions.
 * Source: patterns, "Swap square". Null where nothing is left.
 */
export function greedy(cells: Cells, n: number, reach: Reach): readonly [number, number] | null {
  if (cells.length === 0) return null;
  let best: readonly [number, number] | null = null;
  let most = -1;
  for (const [a, b] of pairsIn(rowsIn(cells, n), n, reach)) {
    if (cells[a] === cells[b]) continue;
    const next = swapped(cells, a, b);
    const { rows } = collected(next, n);
    const worth = mostNear(next, n) * 10 + rows;
    if (worth > most) [most, best] = [worth, [a, b]];
  }
  return best;
}
/** How many trips sensible play takes; it always comes nearer, in so many at most. */
export function greedyTrips(cells: Cells, n: number, reach: Reach): number {
  let left = collected(cells, n).cells;
  for (let trips = 0; trips < MAX_GREEDY; trips++) {
    if (left.length === 0) return trips;
    const pair = greedySwap(left, n, reach);
    left = collected(swapped(left, pair[0], pair[1]), n).cells;
  }
  return MAX_GREEDY;
}
const MAX_GREEDY = 200;
/** The greedy swap, or, where it only goes round, the swap that brings what is wanted in the near row closer. */
export function greedySwap(cells: Cells, n: number, reach: Reach): readonly [number, number] {
  const pair = greedy(cells, n, reach)!;
  const next = swapped(cells, pair[0], pair[1]);
  if (mostNear(next, n) > mostNear(cells, n) || collected(next, n).rows > 0) return pair;
  return nearer(cells, n, reach);
}
/** Brings the nearest one of the commonest kind of the near row a step nearer to a place there that has another kind. */
function nearer(cells: Cells, n: number, reach: Reach): readonly [number, number] {
  const count = Array<number>(n).fill(0);
  for (let i = 0; i < n; i++) count[cells[i]!]!++;
  const kind = count.indexOf(Math.max(...count));
  let best: { from: number; to: number; way: number } | null = null;
  for (let from = n; from < cells.length; from++)
    for (let to = 0; to < n; to++) {
      if (cells[from] !== kind || cells[to] === kind) continue;
      const way = Math.floor(from / n) + Math.abs((from % n) - to);
      if (!best || way < best.way) best = { from, to, way };
    }
  const { from, to } = best!;
  const column = from % n;
  // Aside first, then down.
  if (column !== to) {
    const aside = reach === "line" ? from - column + to : from + Math.sign(to - column);
    return [Math.min(from, aside), Math.max(from, aside)];
  }
  return [reach === "line" ? to : from - n, from];
}
