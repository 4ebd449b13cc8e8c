import type { Age } from "../measures/stature.ts";
import { type Axis, FINE, finer, priorAt } from "./grid.ts";

/**
 * What one go says about a child: the week it was played in (any count that rises by one a week), and its log-
 * likelihood at the points of the axis.
 */
export interface Observation {
  week: number;
  ll: readonly number[];
}
/** How far a child may change from one week to the next, one standard deviation on the axis. Assumptions. */
export const DRIFT: Record<Axis, number> = { spread: 0.04, skill: 0.1 };
/** After this many weeks without a try nothing more is forgotten. */
const MAX_WEEKS = 60;

/** What is known of a child on an axis: the median, and the ends of the 80% interval. In multipliers, or log-odds. */
export interface Estimate {
  axis: Axis;
  middle: number;
  low: number;
  high: number;
}
export interface Posterior {
  axis: Axis;
  /** The probability at each of the finer points. They add up to 1. */
  shares: readonly number[];
}

function normed(shares: number[]): number[] {
  const sum = shares.reduce((eachSum, b) => eachSum + b, 0);
  return shares.map((share) => share / sum);
}
const normal = (axis: Axis, middle: number, sd: number) =>
  normed(FINE[axis].map((x) => Math.exp(-((x - middle) ** 2) / (2 * sd * sd))));

/**
 * How a change over some weeks spreads over neighbouring fine points. Worked out once, because every child needs the
 * same few.
 */
const kernels = new Map<string, Float64Array>();
function kernelOf(axis: Axis, weeks: number): Float64Array {
  const key = `${axis} ${weeks}`;
  const kept = kernels.get(key);
  if (kept) return kept;
  const step = FINE[axis][1]! - FINE[axis][0]!;
  const sd = DRIFT[axis] * Math.sqrt(weeks);
  const reach = Math.ceil((3.5 * sd) / step);
  const made = Float64Array.from({ length: 2 * reach + 1 }, (_, i) =>
    Math.exp(-(((i - reach) * step) ** 2) / (2 * sd * sd)),
  );
  kernels.set(key, made);
  return made;
}

/** The probabilities after some weeks in which the child may have changed: spread by a normal distribution. */
function drifted(axis: Axis, shares: number[], weeks: number): number[] {
  if (weeks <= 0) return shares;
  const kernel = kernelOf(axis, Math.min(MAX_WEEKS, weeks));
  const reach = (kernel.length - 1) / 2;
  const out = new Float64Array(shares.length);
  for (let i = 0; i < shares.length; i++) {
    const chance = shares[i]!;
    if (chance < 1e-15) continue;
    const to = Math.min(out.length - 1, i + reach);
    for (let j = Math.max(0, i - reach); j <= to; j++) out[j]! += chance * kernel[j - i + reach]!;
  }
  return normed(Array.from(out));
}

function seen(shares: number[], ll: readonly number[]): number[] {
  const fine = finer(ll);
  const most = Math.max(...fine);
  return normed(shares.map((share, i) => share * Math.exp(fine[i]! - most)));
}

/** Only weeks this close are compared. Over more the child may have changed. */
const NEAR = 2;
/** This many weeks that agree are assumed before a child's own weeks say how much their days differ. */
const STEADY = 6;
/**
 * How much more one week of a child differs from the next than chance alone would explain: 1, or more. Explaining two
 * weeks by one point of the axis costs `2 (most_1 + most_2 - most_both)` of log-likelihood, which is 1 on average if
 * there is nothing but chance between them. A child's weeks then count as many times less, so that contradictory days
 * leave a wide interval. Source: quasi-likelihood.
 */
export function unsteady(weeks: readonly (readonly [week: number, ll: readonly number[]])[]): number {
  let [lost, pairs] = [0, 0];
  for (const [i, [week, ll]] of weeks.entries()) {
    const before = weeks[i - 1];
    if (!before || week - before[0] > NEAR) continue;
    const both = Math.max(...ll.map((x, k) => x + before[1][k]!));
    lost += 2 * (Math.max(...ll) + Math.max(...before[1]) - both);
    pairs++;
  }
  // Less one standard error, so that steady children do not look unsteady by chance.
  return Math.max(1, (lost + STEADY - Math.sqrt(2 * pairs)) / (pairs + STEADY));
}

/**
 * What is known of a child of that age on an axis, in week `now`: the prior of their age, then every go in order,
 * with a drift between weeks. Goes of one week may come in any order. Source: core model, "Estimate".
 */
export function posterior(axis: Axis, age: Age, goes: readonly Observation[], now?: number): Posterior {
  const { middle, sd } = priorAt(axis, age);
  // Goes of one week are combined, because nothing drifts between them.
  const weeks = new Map<number, number[]>();
  for (const { week, ll } of goes) {
    const all = weeks.get(week);
    if (!all) weeks.set(week, [...ll]);
    else for (let i = 0; i < all.length; i++) all[i]! += ll[i]!;
  }
  const order = [...weeks].sort(([a], [b]) => a - b);
  const less = 1 / unsteady(order);
  let shares = normal(axis, middle, sd);
  let last = order[0]?.[0] ?? 0;
  for (const [week, ll] of order) {
    shares = seen(drifted(axis, shares, week - last), less === 1 ? ll : ll.map((x) => less * x));
    last = week;
  }
  // Long after the last try a child is again like any child of their age.
  if (now !== undefined && order.length > 0) shares = drifted(axis, shares, now - last);
  return { axis, shares };
}

/** The value below which a share of a posterior lies, on the axis. */
function quantileAt({ axis, shares }: Posterior, share: number): number {
  const at = FINE[axis];
  const step = at[1]! - at[0]!;
  let sum = 0;
  for (const [i, chance] of shares.entries()) {
    if (sum + chance >= share) return at[i]! - step / 2 + (chance > 0 ? ((share - sum) / chance) * step : 0);
    sum += chance;
  }
  return at[at.length - 1]!;
}
const shown = (axis: Axis, x: number) => (axis === "spread" ? Math.exp(x) : x);

/** The median and the 80% interval. */
export const estimateOf = (givenPosterior: Posterior): Estimate => ({
  axis: givenPosterior.axis,
  middle: shown(givenPosterior.axis, quantileAt(givenPosterior, 0.5)),
  low: shown(givenPosterior.axis, quantileAt(givenPosterior, 0.1)),
  high: shown(givenPosterior.axis, quantileAt(givenPosterior, 0.9)),
});
