import { type Distribution, mean } from "./distribution.ts";

/** The mean squared distance from the mean. */
export function variance(distribution: Distribution): number {
  const middle = mean(distribution);
  const all = distribution.p.reduce((sum, b) => sum + b, 0);
  return distribution.at.reduce((sum, v, i) => sum + distribution.p[i]! * (v - middle) ** 2, 0) / all;
}
