/**
 * Half of the nodes and weights of Gauss-Legendre quadrature on [-1, 1] with 16 points, computed at start-up by
 * Newton's method.
 */
const POINTS = 16;
const rule = gaussLegendre(POINTS);

function gaussLegendre(count: number): { x: number; w: number }[] {
  const out: { x: number; w: number }[] = [];
  for (let i = 0; i < count; i++) {
    let x = Math.cos((Math.PI * (i + 0.75)) / (count + 0.5));
    let slope = 1;
    for (let round = 0; round < 100; round++) {
      let p0 = 1;
      let p1 = 0;
      for (let j = 0; j < count; j++) {
        const p2 = p1;
        p1 = p0;
        p0 = ((2 * j + 1) * x * p1 - j * p2) / (j + 1);
      }
      slope = (count * (x * p0 - p1)) / (x * x - 1);
      const move = p0 / slope;
      x -= move;
      if (Math.abs(move) < 1e-15) break;
    }
    out.push({ x, w: 2 / ((1 - x * x) * slope * slope) });
  }
  return out;
}

/**
 * Nodes on [-1, 1] and their weights, transformed by a sine, so that square-root ends (the rim of a disc) cost no
 * accuracy.
 */
export const NODES: readonly number[] = rule.map(({ x }) => Math.sin((Math.PI / 2) * x));
export const WEIGHTS: readonly number[] = rule.map(
  ({ x, w: weight }) => weight * (Math.PI / 2) * Math.cos((Math.PI / 2) * x),
);

/** The integral of `f` from `lo` to `hi`, in panels no wider than `panel`, each on the nodes above. */
export function integrate(f: (x: number) => number, lo: number, hi: number, panel: number): number {
  if (hi <= lo) return 0;
  const panels = Math.max(1, Math.ceil((hi - lo) / panel));
  const half = (hi - lo) / panels / 2;
  let total = 0;
  for (let k = 0; k < panels; k++) {
    const mid = lo + (2 * k + 1) * half;
    for (let n = 0; n < NODES.length; n++) total += WEIGHTS[n]! * f(mid + half * NODES[n]!) * half;
  }
  return total;
}
