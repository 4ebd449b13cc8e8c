/** What lies between the sides. */
export const OVERS = ["line", "net", "rope", "wall"] as const;
/** Why a point was won, as far as anybody says. */
export const REASONS = ["out", "net", "bounces", "missed", "serve"] as const;
/** A rally is counted so far at most, touches. */
export const MAX_RUN = 500;
export const MAX_POINTS = 30;
