/**
 * A distribution over whole numbers in rising order. Its chances add up to 1, or to less if some plays have no such
 * number.
 */
export interface Distribution {
  at: number[];
  p: number[];
}

export function distribution(mass: ReadonlyMap<number, number>): Distribution {
  const at = [...mass.keys()].sort((a, b) => a - b);
  return { at, p: at.map((v) => mass.get(v)!) };
}

/** The same distribution of a number that is larger by this much. */
export const raised = ({ at, p }: Distribution, by: number): Distribution => ({ at: at.map((v) => v + by), p });

/** A mixture of several distributions with their weights, which add up to 1. */
export function mixed(parts: readonly (readonly [Distribution, number])[]): Distribution {
  const mass = new Map<number, number>();
  for (const [d, weight] of parts)
    for (const [i, value] of d.at.entries()) mass.set(value, (mass.get(value) ?? 0) + weight * d.p[i]!);
  return distribution(mass);
}

/** The mean over the plays that have a number. 0 if none has. */
export function mean(givenDistribution: Distribution): number {
  const whole = givenDistribution.p.reduce((sum, p) => sum + p, 0);
  return whole === 0 ? 0 : givenDistribution.at.reduce((sum, v, i) => sum + v * givenDistribution.p[i]!, 0) / whole;
}

/** The rounding error of many chances added up. */
const SLACK = 1e-9;

/**
 * The smallest value with at least `share` (0 to 1) of all plays at or below it. Infinity if that many have no
 * number.
 */
export function quantile(givenDistribution: Distribution, share: number): number {
  let sum = 0;
  for (let i = 0; i < givenDistribution.at.length; i++) {
    sum += givenDistribution.p[i]!;
    if (sum >= share - SLACK) return givenDistribution.at[i]!;
  }
  return Number.POSITIVE_INFINITY;
}

/** The share of all plays that a likely range should hold. */
export const LIKELY = 0.8;
/**
 * The shortest run of values that holds this share of all plays, and the share that it really holds. One score often
 * carries a tenth of all plays or more, so the share is seldom exact. Of equally short runs, the one that holds most.
 * If fewer plays have a number at all, all of them.
 */
export function likelyRange({ at, p }: Distribution, share = LIKELY): { low: number; high: number; holds: number } {
  let best = { low: at[0] ?? 0, high: at[at.length - 1] ?? 0, holds: p.reduce((eachSum, b) => eachSum + b, 0) };
  if (best.holds < share - SLACK) return best;
  let sum = 0;
  let from = 0;
  for (const [to, q] of p.entries()) {
    sum += q;
    while (sum - p[from]! >= share - SLACK) sum -= p[from++]!;
    if (sum < share - SLACK) continue;
    const [now, was] = [at[to]! - at[from]!, best.high - best.low];
    if (now < was || (now === was && sum > best.holds)) best = { low: at[from]!, high: at[to]!, holds: sum };
  }
  return best;
}

export function mode(givenDistribution: Distribution): number {
  return givenDistribution.at[givenDistribution.p.indexOf(Math.max(...givenDistribution.p))] ?? 0;
}
