/** What lies between the sides. */
export const OVERS = ["line", "net", "rope", "wall"] as const;
/** Why a point was won, if anybody says so. */
export const REASONS = ["out", "net", "bounces", "missed", "serve"] as const;
/** The most touches counted in one rally. */
export const MAX_RUN = 500;
export const MAX_POINTS = 30;
