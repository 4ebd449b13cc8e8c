/** The length of the ruler on a printed sheet, centimetres. */
export const RULER_CM = 17;
