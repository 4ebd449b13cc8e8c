/** More of two sides together would leave no square free. */
export const mostPieces = (size: number) => Math.ceil((size * size) / 2);
