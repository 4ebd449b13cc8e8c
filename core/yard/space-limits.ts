/** What stands in a space. `wall`: a stretch that may stop a ball, or be thrown at. */
export const OBSTACLES = ["furniture", "breakable", "door", "stairs", "wall"] as const;
export const MAX_OBSTACLES = 20;
export const MAX_PATCHES = 6;
export const MAX_CORNERS = 16;
/** Smaller spaces hold no game, square metres. */
export const MIN_AREA = 0.3;
/** A space of corners is at least so long, metres: a grown-up's step. */
export const SHORTEST_LINE = 0.7;
/** A ceiling where nobody said, metres: an assumption. */
export const USUAL_CEILING = 2.4;
