export const MAX_TASKS = 10;
