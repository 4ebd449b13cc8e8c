/** How the ball is put into play. */
export const PUTS = ["tee", "toss", "pitch", "kick", "throw"] as const;
/** By what somebody is out, where it is played so. */
export const OUTS = ["caught", "tagged", "first", "swings"] as const;
export type Out = (typeof OUTS)[number];
/** Missed swings that put a batter out, where they do. */
export const SWINGS = 3;
export const MAX_INNINGS = 9;
/** Who bats in a turn at most, however it ends: nobody is left to stand in the field for ever. */
export const MAX_BATTERS = 40;
/** Trips there and back of one batter at most. */
export const MAX_TRIPS = 30;
