export const MAX_RUNGS = 10;
export const MAX_TRIES = 200;
