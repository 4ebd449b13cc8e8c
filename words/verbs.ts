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

/** One attempt and several, by what a family does: `1 roll`, `12 rolls`. Where actions are mixed or nothing is sent, they are tries. */
const NOUNS: Record<ReturnType<typeof verbOf>, { one: string; many: string }> = {
  roll: { one: "roll", many: "rolls" },
  slide: { one: "slide", many: "slides" },
  throw: { one: "throw", many: "throws" },
  bowl: { one: "bowl", many: "bowls" },
  push: { one: "push", many: "pushes" },
  kick: { one: "kick", many: "kicks" },
  hit: { one: "hit", many: "hits" },
  send: { one: "try", many: "tries" },
};
export const nounOf = (a: Action): { one: string; many: string } => NOUNS[verbOf(a)];
