import * as Comlink from "comlink";
import type { Fewest } from "#core/sorting-grid/best-first.ts";
import { fewestTrips } from "#core/sorting-grid/fewest.ts";
import type { Cells, Reach } from "#core/sorting-grid/grid.ts";
import { type Mixed, type MixOrder, mixed } from "#core/sorting-grid/mix.ts";

/** A search for a mix ends after this time, milliseconds, and returns the nearest mix found. */
const PATIENCE = 6000;
/** How many squares a search examines to find out in how few swaps a square can be solved. */
const LOOKS = { small: 120_000, five: 150 } as const;

const squares = {
  mix(order: MixOrder, onTry: (tried: number) => void): Mixed {
    const until = performance.now() + PATIENCE;
    return mixed(order, onTry, () => performance.now() > until);
  },
  fewest: (cells: Cells, count: number, reach: Reach): Fewest =>
    fewestTrips(cells, count, reach, { budget: count >= 5 ? LOOKS.five : LOOKS.small }),
};
export type Squares = typeof squares;

Comlink.expose(squares);
