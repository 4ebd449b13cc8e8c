/** How the ball is put into play. */
export const PUTS = ["tee", "toss", "pitch", "kick", "throw"] as const;
/** The ways in which a batter can be out. */
export const OUTS = ["caught", "tagged", "first", "swings"] as const;
export type Out = (typeof OUTS)[number];
/** Missed swings that put a batter out, if that rule is played. */
export const SWINGS = 3;
export const MAX_INNINGS = 9;
/** The most batters in a turn, so that nobody has to field for ever. */
export const MAX_BATTERS = 40;
/** Trips there and back of one batter at most. */
export const MAX_TRIPS = 30;
