import { type Age, stature } from "./stature.ts";

/** Shares of stature. The big step is our assumption; see docs/model.md. */
const STEP_SHARE = 0.41;
const SHOE_SHARE = 0.15;
const BIG_STEP_SHARE = 0.6;

/** The limits of a step that a home measures, metres, and of the number of steps counted. */
export const SHORTEST_STEP = 0.2;
export const LONGEST_STEP = 1.2;
export const MAX_COUNTED = 100;

/** One child's own units of length, metres. */
export interface Paces {
  step: number;
  shoe: number;
  bigStep: number;
}

/**
 * The paces estimated from age, or scaled to a step length (metres) that the home has measured: the other two keep
 * their ratio to it. `paces(7).step` is 0.5002.
 */
export function paces(age: Age, measuredStep?: number): Paces {
  const tall = measuredStep === undefined ? stature(age) : measuredStep / STEP_SHARE;
  return { step: STEP_SHARE * tall, shoe: SHOE_SHARE * tall, bigStep: BIG_STEP_SHARE * tall };
}
