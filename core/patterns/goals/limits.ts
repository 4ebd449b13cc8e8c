/** What is not allowed, where it is played so. */
export const FOULS = ["high", "hands", "feet", "push"] as const;
export type Foul = (typeof FOULS)[number];
export const MAX_GOALS = 30;
/** Goals that a child alone may count in one go. */
export const MAX_ALONE = 200;
