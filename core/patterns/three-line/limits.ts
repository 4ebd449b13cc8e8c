/** The most pieces of a side for which two sides together leave a square free. */
export const mostPieces = (size: number) => Math.ceil((size * size) / 2);
