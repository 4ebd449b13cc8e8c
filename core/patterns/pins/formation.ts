import type { Spot } from "../../asks/ask.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import type { Shape } from "./limits.ts";
import type { PinsParams } from "./schema.ts";

const ROOT = Math.sqrt(3) / 2;

/** The pins in each row, from the near one: how many there are, and how many fit. */
function rowsOf(shape: Shape, givenCount: number): { count: number; full: number }[] {
  if (shape === "row" || shape === "arc") return [{ count: givenCount, full: givenCount }];
  let k = 1;
  while (k * k < givenCount) k++;
  const fulls =
    shape === "triangle"
      ? Array.from({ length: givenCount }, (_, i) => i + 1)
      : [...Array.from({ length: k }, (_, i) => i + 1), ...Array.from({ length: k - 1 }, (_, i) => k - 1 - i)];
  const out: { count: number; full: number }[] = [];
  let left = givenCount;
  for (const full of fulls) {
    if (left === 0) break;
    const count = Math.min(full, left);
    out.push({ count, full });
    left -= count;
  }
  return out;
}

/** A shape with this many pins, their middles `between` metres apart, from its nearest point outwards. */
function shaped(shape: Shape, givenCount: number, between: number): Omit<Spot, "id">[] {
  if (shape === "arc") {
    // A third of a circle, curved away from the player.
    const spread = (2 * Math.PI) / 3;
    const radius = givenCount > 1 ? between / (2 * Math.sin(spread / (givenCount - 1) / 2)) : 0;
    const all = Array.from({ length: givenCount }, (_, i) =>
      givenCount > 1 ? -spread / 2 + (spread * i) / (givenCount - 1) : 0,
    );
    const low = radius * Math.cos(spread / 2);
    return all.map((a) => ({ along: radius * Math.cos(a) - low, across: radius * Math.sin(a) }));
  }
  // A row that is not full uses the places of a full one, so that no pin stands nearer than planned.
  return rowsOf(shape, givenCount).flatMap(({ count, full }, r) =>
    Array.from({ length: count }, (_, k) => ({
      along: r * between * ROOT,
      across: (Math.floor((full - count) / 2) + k - (full - 1) / 2) * between,
    })),
  );
}

export const idsOf = memoizeByIdentity((params: PinsParams): readonly string[] =>
  Array.from({ length: params.formation.count }, (_, i) => `p${i + 1}`),
);

/**
 * Where the pins stand: as given or, for the child's own formation, as it is before anybody has moved a pin. Metres.
 */
export const spotsOf = memoizeByIdentity((params: PinsParams): readonly Spot[] => {
  const { formation: f, pin } = params;
  const ids = idsOf(params);
  if (f.kind === "given")
    return shaped(f.shape, f.count, pin.width + f.gap).map((s, i) => ({
      id: ids[i]!,
      along: params.distance + s.along,
      across: params.across + s.across,
    }));
  // Spread over the field row by row.
  const columns = Math.ceil(Math.sqrt((f.count * f.width) / f.depth));
  const rows = Math.ceil(f.count / columns);
  return ids.map((id, i) => {
    const row = Math.floor(i / columns);
    const inRow = row === rows - 1 ? f.count - columns * (rows - 1) : columns;
    return {
      id,
      along: params.distance + (f.depth * (row + 0.5)) / rows,
      across: params.across + f.width * (((i % columns) + 0.5) / inRow - 0.5),
    };
  });
});

/** The depth from the nearest to the farthest pin's middle, metres. */
export const depthOf = memoizeByIdentity((params: PinsParams): number => {
  if (params.formation.kind === "own") return params.formation.depth;
  const along = spotsOf(params).map((spot) => spot.along);
  return Math.max(...along) - Math.min(...along);
});

/**
 * The widest gap between two neighbours as seen from the line, edge to edge, metres. A narrower object may pass
 * through.
 */
export function widestGap(params: PinsParams): number {
  const aside = spotsOf(params)
    .map((spot) => spot.across)
    .sort((a, b) => a - b);
  return Math.max(0, ...aside.slice(1).map((x, i) => x - aside[i]! - params.pin.width));
}
