export const MAX_MARKS = 8;
export const markId = (i: number) => `m${i + 1}`;
