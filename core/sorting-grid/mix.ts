import { random } from "../random.ts";
import type { Fewest } from "./best-first.ts";
import { fewestTrips } from "./fewest.ts";
import { type Cells, collected, pairsIn, type Reach, swapped } from "./grid.ts";

/** A square mixed to a wanted difficulty, and what is known of its fewest trips; `wanted`: whether that is proved to be within what was asked for. */
export interface Mixed extends Fewest {
  cells: number[];
  wanted: boolean;
}
export interface MixOrder {
  n: number;
  reach: Reach;
  /** Fewest trips that it shall take, from and to. */
  least: number;
  most: number;
  seed: number;
}
/** Squares that are tried before the best one so far is given. */
const MAX_TRIES = 400;
/** Squares that the search for one may look at: five kinds are bounds only. */
const budgetOf = (count: number) => (count >= 5 ? 120 : 20_000);

/** The finished square after so many swaps that may be done, or a shuffle of all. */
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
  // Which kind is called what is drawn too, so that rows are never in the same order.
  const names = Array.from({ length: count }, (_, i) => i);
  for (let i = count - 1; i > 0; i--) {
    const j = Math.floor(draw() * (i + 1));
    [names[i], names[j]] = [names[j]!, names[i]!];
  }
  return cells.map((cell) => names[cell]!);
}
/** Whether the near row is complete already: no mix of the tool begins so. */
export const beginsComplete = (cells: Cells, count: number): boolean => collected(cells, count).rows > 0;
const farOff = ({ lower, upper }: Fewest, { least, most }: MixOrder) =>
  Math.max(0, least - upper, lower - most) + (lower === upper ? 0 : 0.5);

/**
 * Mixes a square so that its fewest trips are proved to lie within what is wanted, with words on the way (`told`: how many were tried). Stopped, or after so many
 * tries, it gives the one that comes nearest, with its bounds. The same seed gives the same square.
 */
export function mixed(order: MixOrder, told?: (tried: number) => void, stop?: () => boolean): Mixed {
  const { n: count, reach, least, most, seed } = order;
  const draw = random(seed);
  let best: Mixed | null = null;
  for (let i = 0; i < MAX_TRIES; i++) {
    told?.(i + 1);
    // A few swaps give easy ones, and a shuffle the rest.
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
