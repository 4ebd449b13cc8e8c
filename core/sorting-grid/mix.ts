import { random } from "../random.ts";
import type { Fewest } from "./best-first.ts";
import { fewestTrips } from "./fewest.ts";
import { type Cells, collected, pairsIn, type Reach, swapped } from "./grid.ts";

/**
 * A square mixed to a wanted difficulty, and what is known of its fewest trips. `wanted`: true if that is proved to
 * be within the wanted range.
 */
export interface Mixed extends Fewest {
  cells: number[];
  wanted: boolean;
}
export interface MixOrder {
  n: number;
  reach: Reach;
  /** The wanted range of fewest trips. */
  least: number;
  most: number;
  seed: number;
}
/** How many squares are tried before the best one so far is returned. */
const MAX_TRIES = 400;
/** How many squares the search for one may examine. Five kinds only get bounds. */
const budgetOf = (count: number) => (count >= 5 ? 120 : 20_000);

/** The finished square after this many allowed swaps, or shuffled completely. */
export function stirred(count: number, reach: Reach, swaps: number | null, draw: () => number): number[] {
  let cells = Array.from({ length: count * count }, (_, i) => (swaps === null ? i % count : Math.floor(i / count)));
  if (swaps === null) {
    for (let i = cells.length - 1; i > 0; i--) {
      const j = Math.floor(draw() * (i + 1));
      [cells[i], cells[j]] = [cells[j]!, cells[i]!];
    }
    return cells;
  }
  const pairs = pairsIn(count, count, reach);
  for (let i = 0; i < swaps; i++) {
    let pair = pairs[Math.floor(draw() * pairs.length)]!;
    while (cells[pair[0]] === cells[pair[1]]) pair = pairs[Math.floor(draw() * pairs.length)]!;
    cells = swapped(cells, pair[0], pair[1]);
  }
  // The names of the kinds are drawn too, so that rows are not always in the same order.
  const names = Array.from({ length: count }, (_, i) => i);
  for (let i = count - 1; i > 0; i--) {
    const j = Math.floor(draw() * (i + 1));
    [names[i], names[j]] = [names[j]!, names[i]!];
  }
  return cells.map((cell) => names[cell]!);
}
/** True if the near row is already complete. The application never mixes such a square. */
export const beginsComplete = (cells: Cells, count: number): boolean => collected(cells, count).rows > 0;
const farOff = ({ lower, upper }: Fewest, { least, most }: MixOrder) =>
  Math.max(0, least - upper, lower - most) + (lower === upper ? 0 : 0.5);

/**
 * Mixes a square whose fewest trips are proved to lie in the wanted range. `told` is called with the number tried so
 * far. If stopped, or after too many tries, returns the nearest one with its bounds. The same seed gives the same
 * square.
 */
export function mixed(order: MixOrder, onTry?: (tried: number) => void, stop?: () => boolean): Mixed {
  const { n: count, reach, least, most, seed } = order;
  const draw = random(seed);
  let best: Mixed | null = null;
  for (let i = 0; i < MAX_TRIES; i++) {
    onTry?.(i + 1);
    // A few swaps give easy squares, a shuffle gives the others.
    const swaps = draw() < 0.5 ? least + Math.floor(draw() * (most - least + 2)) : null;
    const cells = stirred(count, reach, swaps, draw);
    if (beginsComplete(cells, count)) continue;
    const found = fewestTrips(cells, count, reach, { budget: budgetOf(count), most, ...(stop && { stop }) });
    const wanted = found.lower === found.upper && found.lower >= least && found.upper <= most;
    const here: Mixed = { ...found, cells, wanted };
    if (!best || farOff(here, order) < farOff(best, order)) best = here;
    if (wanted || (count >= 5 && found.lower <= most && found.upper >= least)) return here;
    if (stop?.()) break;
  }
  return best!;
}
