import { GRADE, type Slope } from "../physics/floor.ts";

/** What kind of space a family plays in. */
export const SPACE_KINDS = ["corridor", "room", "garden", "yard"] as const;
/** Sizes of a space at home, metres. */
export const SHORTEST_SPACE = 0.5;
export const LONGEST_SPACE = 60;

/** How steep a space outdoors is, and how windy it mostly is; absent: level and still. */
export const SLOPES = Object.keys(GRADE) as [Slope, ...Slope[]];
export const WINDS = ["still", "breezy", "windy"] as const;

/** A support need that a family wants to tell, letters. */
export const LONGEST_SUPPORT = 300;
