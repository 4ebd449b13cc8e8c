import { erf } from "./erf.ts";

const ROOT2 = Math.SQRT2;

/** The normal density at x, mean 0, standard deviation `sd` > 0. */
export function density(x: number, sd: number): number {
  const z = x / sd;
  return Math.exp(-0.5 * z * z) / (sd * Math.sqrt(2 * Math.PI));
}

/** The chance that a normal variable with mean 0 is at most x. An `sd` of 0 is a send without error. */
export function below(x: number, sd: number): number {
  if (sd === 0) return x >= 0 ? 1 : 0;
  if (x === Number.POSITIVE_INFINITY) return 1;
  if (x === Number.NEGATIVE_INFINITY) return 0;
  return 0.5 * (1 + erf(x / (ROOT2 * sd)));
}

/** The chance that a normal variable with mean 0 falls between `lo` and `hi`. 0 if they are in the wrong order. */
export function within(lo: number, hi: number, sd: number): number {
  return hi <= lo ? 0 : below(hi, sd) - below(lo, sd);
}
