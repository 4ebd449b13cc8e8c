/** A figure of an axis in per cent, without the dust of adding fractions up: `100.00000000000001` -> `100%`. */
export const percentTick = (value: number): string => `${Math.round(value * 10) / 10}%`;
