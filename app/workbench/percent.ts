/** A tick of a percentage axis, without rounding errors: `100.00000000000001` becomes `100%`. */
export const percentTick = (value: number): string => `${Math.round(value * 10) / 10}%`;
