export const MAX_TARGETS = 12;

export const MAX_SENDS = 120;
