import type { Action } from "#core/actions/actions.ts";

/** What a family does with the thing that it sends: sentences choose their words by it. */
const VERBS: Record<Action, "roll" | "slide" | "throw" | "bowl" | "push" | "kick" | "hit" | "send"> = {
  underarmRoll: "roll",
  slide: "slide",
  underarmThrow: "throw",
  overarmThrow: "throw",
  straightArmBowl: "bowl",
  pushThrow: "push",
  kick: "kick",
  shortStrike: "hit",
  longStrike: "hit",
  twoHandStrike: "hit",
  handStrike: "hit",
  forehand: "hit",
  backhand: "hit",
  keepUp: "send",
  catch: "send",
  tossCatch: "send",
  carry: "send",
  dribbleFoot: "send",
  dribbleStick: "send",
  balance: "send",
};
export const verbOf = (a: Action) => VERBS[a];
