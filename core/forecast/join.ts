import type { Distribution } from "./distribution.ts";
import { distribution } from "./distribution.ts";

/** The distribution of the sum of two independent numbers. */
export function convolved(givenDistribution: Distribution, b: Distribution): Distribution {
  if (givenDistribution.at.length === 0 || b.at.length === 0) return { at: [], p: [] };
  const first = givenDistribution.at[0]! + b.at[0]!;
  const mass = new Float64Array(givenDistribution.at.at(-1)! + b.at.at(-1)! - first + 1);
  for (let i = 0; i < givenDistribution.at.length; i++)
    for (let k = 0; k < b.at.length; k++) {
      const at = givenDistribution.at[i]! + b.at[k]! - first;
      mass[at] = mass[at]! + givenDistribution.p[i]! * b.p[k]!;
    }
  const out: Distribution = { at: [], p: [] };
  mass.forEach((p, i) => {
    if (p === 0) return;
    out.at.push(first + i);
    out.p.push(p);
  });
  return out;
}

/** The distribution of the larger of two independent numbers. */
export function atMost(givenDistribution: Distribution, b: Distribution): Distribution {
  const out = new Map<number, number>();
  let [i, k, below, under] = [0, 0, 0, 0];
  for (const value of [...new Set([...givenDistribution.at, ...b.at])].sort((x, y) => x - y)) {
    const pa = givenDistribution.at[i] === value ? givenDistribution.p[i++]! : 0;
    const pb = b.at[k] === value ? b.p[k++]! : 0;
    out.set(value, pa * under + pb * below + pa * pb);
    below += pa;
    under += pb;
  }
  return distribution(out);
}

/** The distribution of the smaller of two independent numbers. */
export function atLeast(givenDistribution: Distribution, b: Distribution): Distribution {
  const turned = ({ at, p }: Distribution): Distribution => ({ at: at.map((v) => -v).reverse(), p: [...p].reverse() });
  return turned(atMost(turned(givenDistribution), turned(b)));
}

/** The chance that several sides share the highest of independent ranks. */
export function shareOfTies(ranks: readonly Distribution[]): number {
  const below = (givenDistribution: Distribution, value: number) =>
    givenDistribution.at.reduce((sum, x, i) => sum + (x < value ? givenDistribution.p[i]! : 0), 0);
  const alone = ranks.reduce(
    (sum, rank, i) =>
      sum +
      rank.at.reduce(
        (eachSum, v, k) => eachSum + rank.p[k]! * ranks.reduce((q, other, j) => (j === i ? q : q * below(other, v)), 1),
        0,
      ),
    0,
  );
  const all = ranks.reduce((sum, rank) => sum * rank.p.reduce((eachSum, b) => eachSum + b, 0), 1);
  return Math.max(0, all - alone);
}

/**
 * The chance that each of several independent ranks is the highest, with ties shared. `n` equal distributions: 1 / n
 * each.
 */
export function shareOfWins(ranks: readonly Distribution[]): number[] {
  const out = ranks.map(() => 0);
  const all = [...new Set(ranks.flatMap((rank) => rank.at))].sort((x, y) => x - y);
  const places = ranks.map(() => 0);
  const below = ranks.map(() => 0);
  for (const value of all) {
    const here = ranks.map((rank, i) => (rank.at[places[i]!] === value ? rank.p[places[i]!]! : 0));
    // For those at this rank: the chances of how many of the others have it too, with the rest below.
    for (const [i, chance] of here.entries()) {
      if (chance === 0) continue;
      let many = [1];
      for (const [k, q] of here.entries()) {
        if (k === i) continue;
        const next = new Array<number>(many.length + 1).fill(0);
        many.forEach((m, n) => {
          next[n] = next[n]! + m * below[k]!;
          next[n + 1] = next[n + 1]! + m * q;
        });
        many = next;
      }
      out[i] = out[i]! + chance * many.reduce((sum, m, n) => sum + m / (n + 1), 0);
    }
    for (const [i, chance] of here.entries()) {
      below[i] = below[i]! + chance;
      if (ranks[i]!.at[places[i]!] === value) places[i] = places[i]! + 1;
    }
  }
  return out;
}
