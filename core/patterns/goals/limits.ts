/** Fouls, if they are played. */
export const FOULS = ["high", "hands", "feet", "push"] as const;
export type Foul = (typeof FOULS)[number];
export const MAX_GOALS = 30;
/** The most goals that a child alone can count in one go. */
export const MAX_ALONE = 200;
