/** No play lasts longer than this, milliseconds (a match carried over may run for weeks). */
export const LONGEST_PLAY = 60 * 24 * 3600 * 1000;

/** The most events of one play. The longest game of every pattern fits; a full record accepts only events that end it. */
export const MAX_EVENTS = 16_000;
