/** An age in years, or a grown-up. */
export type Age = number | "adult";

/** Median stature in metres, both sexes, rounded from the WHO growth reference. */
const MEDIAN: readonly (readonly [age: number, metres: number])[] = [
  [4, 1.03],
  [5, 1.1],
  [6, 1.16],
  [7, 1.22],
  [8, 1.27],
  [9, 1.33],
  [10, 1.38],
  [11, 1.43],
  [12, 1.49],
  [13, 1.56],
  [14, 1.61],
  [15, 1.66],
  [18, 1.7],
];
const ADULT_STATURE = 1.7;

/**
 * The median stature in metres at an age in years: linear between the rows of the table (also from 15 to a grown-up
 * at 18), constant beyond both ends. Source: core model, "Measures". `stature(7)` is 1.22, `stature(7.5)` is 1.245.
 */
export function stature(age: Age): number {
  if (age === "adult") return ADULT_STATURE;
  if (!Number.isFinite(age)) throw new RangeError(`age: ${age} is not a number of years`);
  const first = MEDIAN[0]!;
  if (age <= first[0]) return first[1];
  for (let i = 1; i < MEDIAN.length; i++) {
    const [a0, h0] = MEDIAN[i - 1]!;
    const [a1, h1] = MEDIAN[i]!;
    if (age <= a1) return h0 + ((h1 - h0) * (age - a0)) / (a1 - a0);
  }
  return ADULT_STATURE;
}
