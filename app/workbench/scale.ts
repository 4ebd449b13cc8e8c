/** The centre column, pixels: plan and tape share one scale and stand under each other. */
export const WIDTH = 700;
const START = 74;
const RIGHT = 14;
const TALLEST = 226;
const EDGE = 18;

export interface PlanScale {
  /** Pixels a metre. */
  k: number;
  height: number;
  x: (along: number) => number;
  y: (across: number) => number;
  /** Distance from the throwing spot that a peg at `x` stands for, and back. */
  distanceAt: (x: number) => number;
  xOf: (distance: number) => number;
  /** The place that a point of the picture shows. */
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
