/**
 * How much a statistical or exhaustive test looks at: less in every run, all of it in `npm run test:long`, which sets
 * YARD_LONG.
 */
export const inFull = <T>(full: T, usual: T): T => (process.env.YARD_LONG ? full : usual);
/** Every `each`th of a list in every run, all of it in `npm run test:long`. */
export const sampled = <T>(list: readonly T[], each: number): T[] =>
  list.filter((_, i) => inFull(true, i % each === 0));
