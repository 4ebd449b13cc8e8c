export const FLOORS = ["carpet", "boards", "tile", "grass", "paving"] as const;
export type Floor = (typeof FLOORS)[number];
