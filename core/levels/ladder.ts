/** What a ladder of levels settles at: the share of time on each, and the share of all sends that count. */
export interface Settled {
  shares: number[];
  rate: number;
}

/**
 * Where up-and-down rules settle: `rates` are the chances of a hit on each level, the easiest first; `up` hits in a row lead to the next one,
 * `down` misses in a row to the one before; a step begins both counts anew, and so does the other outcome. The ladder's own stationary
 * distribution over level and count, exact by solving it. On a fine ladder 1 up 1 down tends to 50 %, 2 up 1 down to 70.7 %, 3 up 1 down to
 * 79.4 %. RangeError without a level, or with a rule below 1.
 */
export function settles(rates: readonly number[], up: number, down: number): Settled {
  if (rates.length === 0) throw new RangeError("rates: at least one level");
  if (!(up >= 1 && down >= 1)) throw new RangeError("up, down: 1 or more");
  // States of a level: nothing yet, then 1 to up - 1 hits, then 1 to down - 1 misses in a row.
  const each = up + down - 1;
  const n = rates.length * each;
  const at = (level: number, hits: number, misses: number) =>
    level * each + (hits > 0 ? hits : misses > 0 ? up - 1 + misses : 0);
  const moves = Array.from({ length: n }, () => new Map<number, number>());
  const add = (from: number, to: number, p: number) => moves[from]!.set(to, (moves[from]!.get(to) ?? 0) + p);
  for (const [level, p] of rates.entries()) {
    for (let k = 0; k < each; k++) {
      const hits = k < up ? k : 0;
      const misses = k < up ? 0 : k - up + 1;
      const from = level * each + k;
      const hit = hits + 1 < up ? at(level, hits + 1, 0) : at(Math.min(rates.length - 1, level + 1), 0, 0);
      const miss = misses + 1 < down ? at(level, 0, misses + 1) : at(Math.max(0, level - 1), 0, 0);
      add(from, hit, p);
      add(from, miss, 1 - p);
    }
  }
  const pi = stationary(moves, n);
  const shares = rates.map((_, level) => pi.slice(level * each, (level + 1) * each).reduce((a, b) => a + b, 0));
  return { shares, rate: shares.reduce((sum, s, i) => sum + s * rates[i]!, 0) };
}

/** The stationary distribution by Gaussian elimination without division by small differences (Grassmann, Taksar and Heyman, 1985). */
function stationary(moves: readonly ReadonlyMap<number, number>[], n: number): number[] {
  const p = moves.map((row) => Array.from({ length: n }, (_, j) => row.get(j) ?? 0));
  for (let k = n - 1; k > 0; k--) {
    const out = p[k]!.slice(0, k).reduce((a, b) => a + b, 0);
    for (let i = 0; i < k; i++) {
      p[i]![k]! = out > 0 ? p[i]![k]! / out : 0;
      for (let j = 0; j < k; j++) p[i]![j]! += p[i]![k]! * p[k]![j]!;
    }
  }
  const pi = new Array<number>(n).fill(0);
  pi[0] = 1;
  for (let k = 1; k < n; k++) for (let i = 0; i < k; i++) pi[k]! += pi[i]! * p[i]![k]!;
  const sum = pi.reduce((a, b) => a + b, 0);
  return pi.map((x) => x / sum);
}
