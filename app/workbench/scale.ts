import type { Activity } from "#core/formats/activity.ts";
import { type Part, partsOf } from "#core/yard/parts.ts";

/** The centre column, pixels: plan and tape share one scale and stand under each other. */
export const WIDTH = 700;
const START = 74;
const RIGHT = 14;
const TALLEST = 252;
const EDGE = 26;

export interface PlanScale {
  /** Pixels a metre. */
  k: number;
  height: number;
  x: (along: number) => number;
  y: (across: number) => number;
  /** Distance from the throwing spot that a peg at `x` stands for, and back. */
  distanceAt: (x: number) => number;
  xOf: (distance: number) => number;
  /** Distances run from the target back to the lines. */
  reversed: boolean;
}

export function planScale(a: Activity, parts: readonly Part[]): PlanScale {
  const length = Number.isFinite(a.space.length) ? Math.max(0.5, a.space.length) : 5;
  const width = Number.isFinite(a.space.width) ? Math.max(0.5, a.space.width) : 2;
  const k = Math.min((WIDTH - START - RIGHT) / length, TALLEST / width);
  const height = Math.max(190, width * k + 2 * EDGE);
  const x = (along: number) => START + along * k;
  const target = partsOf(parts, "target")[0];
  const reversed = partsOf(parts, "line").some((l) => l.role === "start" && l.id !== "start");
  const from = reversed && target ? target.along : 0;
  return {
    k,
    height,
    x,
    y: (across) => height / 2 + across * k,
    reversed,
    xOf: (distance) => (reversed ? x(from - distance) : x(distance)),
    distanceAt: (px) => (reversed ? from - (px - START) / k : (px - START) / k),
  };
}
