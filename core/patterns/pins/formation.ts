import type { Spot } from "../../asks/ask.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import type { PinsParams, Shape } from "./params.ts";

const ROOT = Math.sqrt(3) / 2;

/** Pins in each row, from the near one: so many of as many as the row has room for. */
function rowsOf(shape: Shape, n: number): { count: number; full: number }[] {
  if (shape === "row" || shape === "arc") return [{ count: n, full: n }];
  let k = 1;
  while (k * k < n) k++;
  const fulls =
    shape === "triangle"
      ? Array.from({ length: n }, (_, i) => i + 1)
      : [...Array.from({ length: k }, (_, i) => i + 1), ...Array.from({ length: k - 1 }, (_, i) => k - 1 - i)];
  const out: { count: number; full: number }[] = [];
  let left = n;
  for (const full of fulls) {
    if (left === 0) break;
    const count = Math.min(full, left);
    out.push({ count, full });
    left -= count;
  }
  return out;
}

/** A shape of so many pins, their middles `between` metres apart, from its nearest point outwards. */
function shaped(shape: Shape, n: number, between: number): Omit<Spot, "id">[] {
  if (shape === "arc") {
    // A third of a circle, bulging away from the player.
    const spread = (2 * Math.PI) / 3;
    const radius = n > 1 ? between / (2 * Math.sin(spread / (n - 1) / 2)) : 0;
    const all = Array.from({ length: n }, (_, i) => (n > 1 ? -spread / 2 + (spread * i) / (n - 1) : 0));
    const low = radius * Math.cos(spread / 2);
    return all.map((a) => ({ along: radius * Math.cos(a) - low, across: radius * Math.sin(a) }));
  }
  // A row that is not full keeps to the places of one that is, so that nothing stands nearer than planned.
  return rowsOf(shape, n).flatMap(({ count, full }, r) =>
    Array.from({ length: count }, (_, k) => ({
      along: r * between * ROOT,
      across: (Math.floor((full - count) / 2) + k - (full - 1) / 2) * between,
    })),
  );
}

export const idsOf = memoizeByIdentity((p: PinsParams): readonly string[] =>
  Array.from({ length: p.formation.count }, (_, i) => `p${i + 1}`),
);

/** Where the pins stand: as given; or, of the child's own formation, as it is before anybody moved one. Metres. */
export const spotsOf = memoizeByIdentity((p: PinsParams): readonly Spot[] => {
  const { formation: f, pin } = p;
  const ids = idsOf(p);
  if (f.kind === "given")
    return shaped(f.shape, f.count, pin.width + f.gap).map((s, i) => ({
      id: ids[i]!,
      along: p.distance + s.along,
      across: p.across + s.across,
    }));
  // Spread over the field row by row.
  const columns = Math.ceil(Math.sqrt((f.count * f.width) / f.depth));
  const rows = Math.ceil(f.count / columns);
  return ids.map((id, i) => {
    const row = Math.floor(i / columns);
    const inRow = row === rows - 1 ? f.count - columns * (rows - 1) : columns;
    return {
      id,
      along: p.distance + (f.depth * (row + 0.5)) / rows,
      across: p.across + f.width * (((i % columns) + 0.5) / inRow - 0.5),
    };
  });
});

/** Deep and wide from the nearest to the farthest pin's middle, metres. */
export const depthOf = memoizeByIdentity((p: PinsParams): number => {
  if (p.formation.kind === "own") return p.formation.depth;
  const along = spotsOf(p).map((s) => s.along);
  return Math.max(...along) - Math.min(...along);
});

/** The widest gap that is seen from the line between two neighbours, edge to edge, metres: a thing narrower than it may pass. */
export function widestGap(p: PinsParams): number {
  const aside = spotsOf(p)
    .map((s) => s.across)
    .sort((a, b) => a - b);
  return Math.max(0, ...aside.slice(1).map((x, i) => x - aside[i]! - p.pin.width));
}
