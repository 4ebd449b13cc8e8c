import type { Item } from "../items/item.ts";

/**
 * An item as a target: its name (empty: the item's own name), its size, opening or gap in metres, and its mass in
 * kilograms.
 */
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

export function faceOf(item: Item): Face {
  return {
    item: item.id,
    label: item.name,
    width: Math.max(0.02, item.width),
    height: Math.max(0.01, item.height),
    ...(item.opening !== null && { opening: item.opening }),
    ...(item.opening !== null && item.openingDepth && { openingDepth: item.openingDepth }),
    ...(item.gap !== null && { gap: item.gap }),
    mass: item.mass,
    contents: item.contents ?? 0,
  };
}
