import type { Age } from "../measures/stature.ts";

/**
 * What is assumed about a child by age before any attempts are known: the spread relative to a child of 8, walking
 * speed (metres per second), and the time to get ready (relative to a child of 8). One table of assumptions; see
 * docs/model.md.
 */
interface AgePrior {
  multiplier: number;
  walking: number;
  tempo: number;
}
const TABLE: readonly (readonly [age: number, prior: AgePrior])[] = [
  [4, { multiplier: 1.7, walking: 0.85, tempo: 1.5 }],
  [5, { multiplier: 1.48, walking: 0.9, tempo: 1.35 }],
  [6, { multiplier: 1.3, walking: 0.95, tempo: 1.2 }],
  [7, { multiplier: 1.13, walking: 1, tempo: 1.1 }],
  [8, { multiplier: 1, walking: 1.05, tempo: 1 }],
  [9, { multiplier: 0.9, walking: 1.1, tempo: 0.95 }],
  [10, { multiplier: 0.83, walking: 1.15, tempo: 0.9 }],
  [11, { multiplier: 0.77, walking: 1.2, tempo: 0.87 }],
  [12, { multiplier: 0.72, walking: 1.22, tempo: 0.85 }],
  [14, { multiplier: 0.65, walking: 1.25, tempo: 0.8 }],
  [18, { multiplier: 0.58, walking: 1.3, tempo: 0.8 }],
];

/**
 * How much children of one age differ: standard deviations of the logarithm of the multiplier, of the log-odds of
 * skills, and of the logarithm of the pace. Assumptions.
 */
export const PRIOR_SD = { multiplier: 0.35, skill: 0.8, pace: 0.15 } as const;

/** The prior at an age in years, linear between rows and constant beyond both ends. A grown-up counts as 18. */
export function agePrior(age: Age): AgePrior {
  const years = age === "adult" ? 18 : age;
  let [a0, low] = TABLE[0]!;
  if (years <= a0) return low;
  for (const [a1, high] of TABLE) {
    if (years <= a1) {
      const t = a1 === a0 ? 0 : (years - a0) / (a1 - a0);
      const mix = (k: keyof AgePrior) => low[k] + (high[k] - low[k]) * t;
      return { multiplier: mix("multiplier"), walking: mix("walking"), tempo: mix("tempo") };
    }
    [a0, low] = [a1, high];
  }
  return low;
}
