export const MAX_BANDS = 8;
/** The most rounds of a game, even one with an exact finish. */
export const MAX_ROUNDS = 100;
