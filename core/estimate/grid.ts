import { agePrior, PRIOR_SD } from "../aim/priors.ts";
import type { Age } from "../measures/stature.ts";

/**
 * What is estimated of a child for one action: how widely they miss (the logarithm of the multiplier) or, for skills
 * without a spread, how much likelier they are to manage than their age (log-odds).
 */
export const AXES = ["spread", "skill"] as const;
export type Axis = (typeof AXES)[number];

/** The number of points, evenly over each axis, at which evidence is worked out. */
export const POINTS = 41;
const ENDS: Record<Axis, readonly [number, number]> = { spread: [Math.log(0.2), Math.log(5)], skill: [-3.2, 3.2] };
/** At every this many points a whole game is forecast, for goes of which only the score is known. */
export const EVERY = 5;
const even = ([from, to]: readonly [number, number], count: number) =>
  Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));
export const AT: Record<Axis, readonly number[]> = {
  spread: even(ENDS.spread, POINTS),
  skill: even(ENDS.skill, POINTS),
};

/**
 * Wild sends: of `of` sends, `are` go wild and spread more widely, by this many steps of the axis (a factor of
 * three). The others are narrower than the law by `narrower` (a logarithm), so that a usual child still hits as often
 * as the law says. Assumptions.
 */
export const WILD = { are: 2, of: 25, steps: 14, narrower: 0.078 } as const;
/**
 * The points at which usual and wild sends are worked out: a wild send of point i is a usual one of point i +
 * WILD.steps.
 */
export const SENT_AT: readonly number[] = Array.from(
  { length: POINTS + WILD.steps },
  (_, i) => AT.spread[0]! + i * (AT.spread[1]! - AT.spread[0]!) - WILD.narrower,
);

/** The points in between, so that a posterior is fine enough. */
const FINER = 4;
export const FINE: Record<Axis, readonly number[]> = {
  spread: even(ENDS.spread, (POINTS - 1) * FINER + 1),
  skill: even(ENDS.skill, (POINTS - 1) * FINER + 1),
};

/** What a child's age alone says: the mean and standard deviation on the axis. */
export const priorAt = (axis: Axis, age: Age): { middle: number; sd: number } =>
  axis === "spread"
    ? { middle: Math.log(agePrior(age).multiplier), sd: PRIOR_SD.multiplier }
    : { middle: 0, sd: PRIOR_SD.skill };

/** Log-likelihoods at even points, as a smooth curve through them (Catmull-Rom) at a multiple of the points. */
export function finer(ll: readonly number[], times = FINER): number[] {
  const out: number[] = [];
  for (let i = 0; i < ll.length - 1; i++) {
    const [b, c] = [ll[i]!, ll[i + 1]!];
    const [before, after] = [ll[i - 1] ?? 2 * b - c, ll[i + 2] ?? 2 * c - b];
    for (let k = 0; k < times; k++) {
      const t = k / times;
      out.push(
        b + 0.5 * t * (c - before + t * (2 * before - 5 * b + 4 * c - after + t * (3 * (b - c) + after - before))),
      );
    }
  }
  out.push(ll[ll.length - 1]!);
  return out;
}
