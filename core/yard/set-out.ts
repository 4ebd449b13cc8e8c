/**
 * An area for setting targets out, metres: from the near edge to the far one, and this far to each side of its
 * middle.
 */
export interface Field {
  near: number;
  far: number;
  across: number;
  width: number;
}
/** Two items closer than this touch, metres. */
export const TOUCHING = 0.01;
/** Whole millimetres, so that the value is the same everywhere. */
export const mm = (metres: number) => Math.round(metres * 1000);

export interface Laid {
  id: string;
  /** Millimetres, as in an event. */
  along: number;
  across: number;
  /** The width, metres. */
  size: number;
}
/**
 * A problem with the places that a child chose: one target is not completely inside, or two touch, with the missing
 * centimetres, rounded up.
 */
export type Amiss =
  | { kind: "outside"; id: string; cm: number }
  | { kind: "touch"; one: string; other: string; cm: number };
export function amiss(spots: readonly Laid[], field: Field): Amiss | null {
  for (const spot of spots) {
    const half = mm(spot.size) / 2;
    const over = Math.max(
      mm(field.near) + half - spot.along,
      spot.along + half - mm(field.far),
      Math.abs(spot.across - mm(field.across)) + half - mm(field.width) / 2,
    );
    if (over > 1e-9) return { kind: "outside", id: spot.id, cm: Math.ceil(over / 10 - 1e-9) };
  }
  for (const [i, laid] of spots.entries())
    for (const spot of spots.slice(i + 1)) {
      const gap = Math.hypot(laid.along - spot.along, laid.across - spot.across) - (mm(laid.size) + mm(spot.size)) / 2;
      const short = mm(TOUCHING) - gap;
      if (short > 1e-9) return { kind: "touch", one: laid.id, other: spot.id, cm: Math.ceil(short / 10 - 1e-9) };
    }
  return null;
}
export const inMetres = (
  spots: readonly { id: string; along: number; across: number }[],
): { id: string; along: number; across: number }[] =>
  spots.map(({ id, along, across }) => ({ id, along: along / 1000, across: across / 1000 }));
