/** So many pictures a second are meant at least. */
export const MIN_A_SECOND = 30;
/** Never fewer pictures move than this. */
export const FEWEST = 4;
/** With half as many again to spare, a quarter more move. */
const [SPARE, MORE] = [1.5, 1.25];

/**
 * How many of all children's pictures move next, by how many moved and how many frames a second that gave:
 * fewer where a device does not keep up, more again where it was only busy for a moment.
 */
export function movingNext(moving: number, all: number, perSecond: number): number {
  const fewest = Math.min(FEWEST, all);
  if (perSecond < MIN_A_SECOND) return Math.max(fewest, Math.ceil((moving * perSecond) / MIN_A_SECOND));
  return perSecond >= SPARE * MIN_A_SECOND ? Math.min(all, Math.ceil(moving * MORE)) : moving;
}
