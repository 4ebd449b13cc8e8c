/** The most trips in one go. By then the game has long offered a hint. */
export const MAX_TRIPS = 200;
