/** A distribution over whole numbers, rising, chances summing to 1. */
export interface Distribution {
  at: number[];
  p: number[];
}

export function distribution(mass: ReadonlyMap<number, number>): Distribution {
  const at = [...mass.keys()].sort((a, b) => a - b);
  const sum = at.reduce((n, v) => n + mass.get(v)!, 0) || 1;
  return { at, p: at.map((v) => mass.get(v)! / sum) };
}

export const mean = (d: Distribution): number => d.at.reduce((sum, v, i) => sum + v * d.p[i]!, 0);

/** The smallest value with at least `share` (0 to 1) of the chance at or below it. */
export function quantile(d: Distribution, share: number): number {
  let sum = 0;
  for (let i = 0; i < d.at.length; i++) {
    sum += d.p[i]!;
    if (sum >= share - 1e-12) return d.at[i]!;
  }
  return d.at[d.at.length - 1] ?? 0;
}

export function mode(d: Distribution): number {
  return d.at[d.p.indexOf(Math.max(...d.p))] ?? 0;
}
