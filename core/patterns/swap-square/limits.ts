/** Trips of one go at most: whoever walks on has long been shown the way. */
export const MAX_TRIPS = 200;
