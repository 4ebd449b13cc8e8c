/** The width of the centre column, pixels. The plan and the tape share one scale and stand one below the other. */
export const WIDTH = 700;
/** The smallest size at which a target is drawn, pixels. */
export const LEAST = 26;
const START = 74;
const RIGHT = 14;
const TALLEST = 226;
const EDGE = 18;

export interface PlanScale {
  /** Pixels per metre. */
  k: number;
  height: number;
  x: (along: number) => number;
  y: (across: number) => number;
  /** The distance from the throwing spot of a peg at `x`, and the reverse. */
  distanceAt: (x: number) => number;
  xOf: (distance: number) => number;
  /** The place of a point of the picture. */
  placeAt: (x: number, y: number) => { along: number; across: number };
  /** Distances run from the target back to the lines. */
  reversed: boolean;
}

export function planScale(length: number, width: number, backFrom: number | null): PlanScale {
  const k = Math.min((WIDTH - START - RIGHT) / length, TALLEST / width);
  const height = Math.max(190, width * k + 2 * EDGE);
  const x = (along: number) => START + along * k;
  const reversed = backFrom !== null;
  const from = backFrom ?? 0;
  return {
    k,
    height,
    x,
    y: (across) => height / 2 + across * k,
    placeAt: (px, py) => ({ along: (px - START) / k, across: (py - height / 2) / k }),
    reversed,
    xOf: (distance) => (reversed ? x(from - distance) : x(distance)),
    distanceAt: (px) => (reversed ? from - (px - START) / k : (px - START) / k),
  };
}
