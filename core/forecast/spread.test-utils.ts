import { type Distribution, mean } from "./distribution.ts";

/** The mean squared distance from the mean. */
export function variance(d: Distribution): number {
  const middle = mean(d);
  const all = d.p.reduce((a, b) => a + b, 0);
  return d.at.reduce((sum, v, i) => sum + d.p[i]! * (v - middle) ** 2, 0) / all;
}
