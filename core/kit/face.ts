import type { Item } from "../things/item.ts";

/** A thing as a target shows itself: name (empty: as the thing is called), size, opening or gap in metres, mass in kilograms. */
export interface Face {
  item: string;
  label: string;
  width: number;
  height: number;
  opening?: number;
  openingDepth?: number;
  gap?: number;
  mass: number;
  contents: number;
}

export function faceOf(i: Item): Face {
  return {
    item: i.id,
    label: i.name,
    width: Math.max(0.02, i.width),
    height: Math.max(0.01, i.height),
    ...(i.opening !== null && { opening: i.opening }),
    ...(i.opening !== null && i.openingDepth && { openingDepth: i.openingDepth }),
    ...(i.gap !== null && { gap: i.gap }),
    mass: i.mass,
    contents: i.contents ?? 0,
  };
}
