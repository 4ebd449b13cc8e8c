import type { Spread } from "../actions/spread.ts";

/** How the object travels, which decides which errors matter and what slows it down. */
export type Travel = "ground" | "slide" | "air";

/** Actions with the bare hand. Any of these can replace another without fetching anything else. */
export const FROM_HAND = [
  "underarmRoll",
  "slide",
  "underarmThrow",
  "overarmThrow",
  "straightArmBowl",
  "pushThrow",
] as const;
/** Actions that send an object away. */
export const SENDS = [
  ...FROM_HAND,
  "kick",
  "shortStrike",
  "longStrike",
  "twoHandStrike",
  "handStrike",
  "forehand",
  "backhand",
] as const;
export type Send = (typeof SENDS)[number];
/** Actions that do not. Each has a chance of success instead of a spread. */
export const SKILLS = ["keepUp", "catch", "tossCatch", "carry", "dribbleFoot", "dribbleStick", "balance"] as const;
export type Skill = (typeof SKILLS)[number];
export const ACTIONS = [...SENDS, ...SKILLS] as const;
export type Action = Send | Skill;
export const isSend = (action: Action): action is Send => (SENDS as readonly string[]).includes(action);

/**
 * What is assumed about an action for a child of 8 with an easy object. For a skill, only whether the object flies;
 * the rest is in keeper.ts. Speeds and distances are in physics/release.ts.
 */
export interface ActionFacts {
  travel: Travel;
  /** The spread at multiplier 1. */
  spread: Spread;
  /** From getting ready to letting go, seconds. */
  windUp: number;
}

/** A skill has no spread. Its chances are log-odds. */
const NONE: Spread = { lateral: 0, range: 0, vertical: 0 };

/** All of these are assumptions. A child's own record replaces the spread. See docs/model.md. */
export const actionFacts: Record<Action, ActionFacts> = {
  underarmRoll: {
    travel: "ground",
    spread: { lateral: 0.072, range: 0.17, vertical: 0 },
    windUp: 2,
  },
  slide: { travel: "slide", spread: { lateral: 0.06, range: 0.15, vertical: 0 }, windUp: 2.2 },
  underarmThrow: {
    travel: "air",
    spread: { lateral: 0.08, range: 0.13, vertical: 0.11 },
    windUp: 2,
  },
  overarmThrow: {
    travel: "air",
    spread: { lateral: 0.095, range: 0.17, vertical: 0.13 },
    windUp: 2.2,
  },
  straightArmBowl: {
    travel: "air",
    spread: { lateral: 0.1, range: 0.18, vertical: 0.14 },
    windUp: 3,
  },
  pushThrow: {
    travel: "air",
    spread: { lateral: 0.075, range: 0.12, vertical: 0.1 },
    windUp: 1.8,
  },
  kick: { travel: "ground", spread: { lateral: 0.1, range: 0.22, vertical: 0 }, windUp: 2.4 },
  shortStrike: {
    travel: "air",
    spread: { lateral: 0.12, range: 0.2, vertical: 0.15 },
    windUp: 2.2,
  },
  longStrike: {
    travel: "ground",
    spread: { lateral: 0.085, range: 0.19, vertical: 0 },
    windUp: 2.6,
  },
  twoHandStrike: { travel: "air", spread: { lateral: 0.13, range: 0.22, vertical: 0.16 }, windUp: 2.8 },
  handStrike: { travel: "air", spread: { lateral: 0.11, range: 0.19, vertical: 0.14 }, windUp: 1.8 },
  forehand: { travel: "air", spread: { lateral: 0.12, range: 0.2, vertical: 0.15 }, windUp: 2.2 },
  backhand: { travel: "air", spread: { lateral: 0.135, range: 0.22, vertical: 0.165 }, windUp: 2.4 },
  keepUp: { travel: "air", spread: NONE, windUp: 0 },
  catch: { travel: "air", spread: NONE, windUp: 0 },
  tossCatch: { travel: "air", spread: NONE, windUp: 0 },
  carry: { travel: "slide", spread: NONE, windUp: 0 },
  dribbleFoot: { travel: "ground", spread: NONE, windUp: 0 },
  dribbleStick: { travel: "ground", spread: NONE, windUp: 0 },
  balance: { travel: "slide", spread: NONE, windUp: 0 },
};
