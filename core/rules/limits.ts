/** The limits of anything laid out at home, metres. */
export const SMALLEST = 0.01;
export const LARGEST = 60;

export const LINE_RULES = ["lower", "centre", "higher"] as const;
/** `lower`: the trailing edge names the band; `higher`: the leading edge; `centre`: the middle. */
export type LineRule = (typeof LINE_RULES)[number];
