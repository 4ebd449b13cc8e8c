const TWO_OVER_ROOT_PI = 2 / Math.sqrt(Math.PI);
/** Where the continued fraction takes over from the series. */
const SERIES_LIMIT = 2.4;
/** Beyond this erf is 1 to the last bit of a double. */
const SATURATED = 6;

/**
 * The error function: the chance that a normal error of SD 1/sqrt(2) stays within ±x. Absolute error below 1e-13.
 * Source: Abramowitz and Stegun 7.1.6 (series) and 7.1.14 (continued fraction). `erf(0.5)` is 0.5204998778.
 */
export function erf(x: number): number {
  const a = Math.abs(x);
  if (a > SATURATED) return Math.sign(x);
  if (a < SERIES_LIMIT) {
    let term = x;
    let sum = x;
    for (let n = 1; n < 80; n++) {
      term *= (2 * x * x) / (2 * n + 1);
      sum += term;
      if (Math.abs(term) < 1e-17 * Math.abs(sum)) break;
    }
    return TWO_OVER_ROOT_PI * Math.exp(-x * x) * sum;
  }
  let fraction = a;
  for (let k = 60; k >= 1; k--) fraction = a + k / 2 / fraction;
  return Math.sign(x) * (1 - (Math.exp(-a * a) / Math.sqrt(Math.PI)) * (1 / fraction));
}
