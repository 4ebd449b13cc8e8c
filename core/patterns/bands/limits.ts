export const MAX_BANDS = 8;
/** Even an exact finish ends after so many rounds. */
export const MAX_ROUNDS = 100;
