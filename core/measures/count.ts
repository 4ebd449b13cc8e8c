import type { Paces } from "./step.ts";

/** Rounding to half steps may move the hit rate by this much before another unit is tried. */
const ROUNDING_ALLOWED = 0.03;
/** Heel-to-toe counting is tedious and drifts, so it stops here. */
const MOST_SHOES = 12;
/** Each counted step is off by this share of a step (standard deviation, independent): an assumption. */
export const COUNTING_ERROR = 0.06;

/** A distance as a child counts it out. */
export interface Count {
  unit: "step" | "shoe";
  /** Whole or half steps; whole shoes. */
  count: number;
  /** Where that count really ends for this child, metres. */
  metres: number;
  /** How far the rounding moves the hit rate, 0 to 1. */
  moved: number;
  /** Standard deviation of the counting itself, metres. */
  error: number;
}

/**
 * How a child should count out `distance` metres. Half steps, unless rounding to them moves the hit rate by
 * more than 3 points and heel-to-toe shoes (12 at most) do better. `hitRateAt` gives the child's hit rate
 * (0 to 1) at a distance in metres.
 */
export function countOut(distance: number, own: Paces, hitRateAt: (metres: number) => number): Count {
  const wanted = hitRateAt(distance);
  const as = (unit: Count["unit"], count: number, each: number): Count => ({
    unit,
    count,
    metres: count * each,
    moved: Math.abs(hitRateAt(count * each) - wanted),
    error: COUNTING_ERROR * each * Math.sqrt(count),
  });
  const steps = as("step", Math.max(0.5, Math.round((distance / own.step) * 2) / 2), own.step);
  if (steps.moved <= ROUNDING_ALLOWED) return steps;
  const shoes = Math.round(distance / own.shoe);
  if (shoes < 1 || shoes > MOST_SHOES) return steps;
  const heelToToe = as("shoe", shoes, own.shoe);
  return heelToToe.moved < steps.moved ? heelToToe : steps;
}

/** Nearest and farthest that one count in steps reaches over several children, metres. */
export function spreadOfCount(count: number, all: readonly Paces[]): { from: number; to: number } {
  const ends = all.map((p) => p.step * count);
  return { from: Math.min(...ends), to: Math.max(...ends) };
}
