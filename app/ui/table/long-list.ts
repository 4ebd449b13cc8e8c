/** Rows beyond this number are drawn only near what is seen; without a script, they are read in pages of this size. */
export const ALL_DRAWN = 100;

/** The first row of a page, from the address. */
export function fromIn(search: URLSearchParams, total: number): number {
  const from = Number(search.get("from") ?? 0);
  return Number.isInteger(from) && from > 0 && from < total ? from : 0;
}
