export const MAX_ROUNDS = 40;
