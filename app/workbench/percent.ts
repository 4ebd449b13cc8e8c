/** A figure of an axis in per cent, without the dust of adding fractions up: `100.00000000000001` -> `100 %`. */
export const percentTick = (v: number): string => `${Math.round(v * 10) / 10} %`;
