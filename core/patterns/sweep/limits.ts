export const FEWEST_TARGETS = 2;
export const MAX_TARGETS = 12;
export const MAX_SENDS = 200;
