/** How long the ruler on a printed sheet is, centimetres. */
export const RULER_CM = 17;
