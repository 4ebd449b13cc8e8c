import type { Distribution } from "./distribution.ts";
import { distribution } from "./distribution.ts";

/** Of the sum of two independent numbers. */
export function convolved(a: Distribution, b: Distribution): Distribution {
  if (a.at.length === 0 || b.at.length === 0) return { at: [], p: [] };
  const first = a.at[0]! + b.at[0]!;
  const mass = new Float64Array(a.at.at(-1)! + b.at.at(-1)! - first + 1);
  for (let i = 0; i < a.at.length; i++)
    for (let k = 0; k < b.at.length; k++) {
      const at = a.at[i]! + b.at[k]! - first;
      mass[at] = mass[at]! + a.p[i]! * b.p[k]!;
    }
  const out: Distribution = { at: [], p: [] };
  mass.forEach((p, i) => {
    if (p === 0) return;
    out.at.push(first + i);
    out.p.push(p);
  });
  return out;
}

/** Of the larger of two independent numbers. */
export function atMost(a: Distribution, b: Distribution): Distribution {
  const out = new Map<number, number>();
  let [i, k, below, under] = [0, 0, 0, 0];
  for (const v of [...new Set([...a.at, ...b.at])].sort((x, y) => x - y)) {
    const pa = a.at[i] === v ? a.p[i++]! : 0;
    const pb = b.at[k] === v ? b.p[k++]! : 0;
    out.set(v, pa * under + pb * below + pa * pb);
    below += pa;
    under += pb;
  }
  return distribution(out);
}

/** Of the smaller of two independent numbers. */
export function atLeast(a: Distribution, b: Distribution): Distribution {
  const turned = ({ at, p }: Distribution): Distribution => ({ at: at.map((v) => -v).reverse(), p: [...p].reverse() });
  return turned(atMost(turned(a), turned(b)));
}

/** Chance that the highest of several independent ranks is shared. */
export function shareOfTies(ranks: readonly Distribution[]): number {
  const below = (r: Distribution, v: number) => r.at.reduce((sum, x, i) => sum + (x < v ? r.p[i]! : 0), 0);
  const alone = ranks.reduce(
    (sum, r, i) =>
      sum +
      r.at.reduce((s, v, k) => s + r.p[k]! * ranks.reduce((q, other, j) => (j === i ? q : q * below(other, v)), 1), 0),
    0,
  );
  const all = ranks.reduce((p, r) => p * r.p.reduce((a, b) => a + b, 0), 1);
  return Math.max(0, all - alone);
}

/** Chance that each of several independent ranks is the highest, equals sharing it. `n` equal laws: 1 / n each. */
export function shareOfWins(ranks: readonly Distribution[]): number[] {
  const out = ranks.map(() => 0);
  const all = [...new Set(ranks.flatMap((r) => r.at))].sort((x, y) => x - y);
  const places = ranks.map(() => 0);
  const below = ranks.map(() => 0);
  for (const v of all) {
    const here = ranks.map((r, i) => (r.at[places[i]!] === v ? r.p[places[i]!]! : 0));
    // Of those that are here: how likely so many of the others are here too, the rest below.
    for (const [i, p] of here.entries()) {
      if (p === 0) continue;
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
      out[i] = out[i]! + p * many.reduce((sum, m, n) => sum + m / (n + 1), 0);
    }
    for (const [i, p] of here.entries()) {
      below[i] = below[i]! + p;
      if (ranks[i]!.at[places[i]!] === v) places[i] = places[i]! + 1;
    }
  }
  return out;
}
