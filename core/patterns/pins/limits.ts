export const FEWEST_PINS = 3;
export const MAX_PINS = 15;
export const SHAPES = ["triangle", "row", "arc", "diamond"] as const;
export type Shape = (typeof SHAPES)[number];
