import { GRADE, type Slope } from "../physics/floor.ts";

/** The kinds of space in which a family can play. */
export const SPACE_KINDS = ["corridor", "room", "garden", "yard"] as const;
/** The limits of a space at home, metres. */
export const SHORTEST_SPACE = 0.5;
export const LONGEST_SPACE = 60;

/** How steep an outdoor space is, and how windy it usually is. Left out: level and still. */
export const SLOPES = Object.keys(GRADE) as [Slope, ...Slope[]];
export const WINDS = ["still", "breezy", "windy"] as const;

/** The longest text about support that a family can write, letters. */
export const LONGEST_SUPPORT = 300;
