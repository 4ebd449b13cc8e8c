import * as Comlink from "comlink";
import type { Fewest } from "#core/sorting-grid/best-first.ts";
import { fewestTrips } from "#core/sorting-grid/fewest.ts";
import type { Cells, Reach } from "#core/sorting-grid/grid.ts";
import { type Mixed, type MixOrder, mixed } from "#core/sorting-grid/mix.ts";

/** A mix is given up after so long, milliseconds: then the one that came nearest is given. */
const PATIENCE = 6000;
/** Squares that a search looks at for what a square could be done in. */
const LOOKS = { small: 120_000, five: 150 } as const;

const squares = {
  mix(order: MixOrder, told: (tried: number) => void): Mixed {
    const until = performance.now() + PATIENCE;
    return mixed(order, told, () => performance.now() > until);
  },
  fewest: (cells: Cells, count: number, reach: Reach): Fewest =>
    fewestTrips(cells, count, reach, { budget: count >= 5 ? LOOKS.five : LOOKS.small }),
};
export type Squares = typeof squares;

Comlink.expose(squares);
