import type { Send } from "../actions/actions.ts";

/** Ways of sending that need nothing in the hand but the thing itself. */
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
