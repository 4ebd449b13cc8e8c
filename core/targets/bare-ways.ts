import type { Send } from "../actions/actions.ts";

/** Actions that need nothing in the hand except the object. */
export const BARE = [
  "underarmRoll",
  "slide",
  "underarmThrow",
  "overarmThrow",
  "pushThrow",
  "straightArmBowl",
  "kick",
  "handStrike",
] as const satisfies readonly Send[];

export type Bare = (typeof BARE)[number];

export const MAX_WAYS = 8;
