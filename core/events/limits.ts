/** No play lasts longer than this, milliseconds (a match carried over may run for weeks). */
export const LONGEST_PLAY = 60 * 24 * 3600 * 1000;

/** Events of one play; the longest game of every pattern fits. A full record takes only what ends it. */
export const MAX_EVENTS = 16_000;
