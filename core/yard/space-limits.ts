/** The kinds of obstacle in a space. `wall`: a stretch of wall that may stop a ball, or be thrown at. */
export const OBSTACLES = ["furniture", "breakable", "door", "stairs", "wall"] as const;
export const MAX_OBSTACLES = 20;
export const MAX_PATCHES = 6;
export const MAX_CORNERS = 16;
/** No game fits into a smaller space, square metres. */
export const MIN_AREA = 0.3;
/** A space given by its corners is at least this long, metres: a grown-up's step. */
export const SHORTEST_LINE = 0.7;
/** The height of an unknown ceiling, metres: an assumption. */
export const USUAL_CEILING = 2.4;
