import type { Action } from "#core/actions/actions.ts";

/** The verb of each action, as a family says it: sentences choose their words by it. */
const VERBS: Record<Action, "roll" | "slide" | "throw" | "bowl" | "push" | "kick" | "hit" | "try"> = {
  underarmRoll: "roll",
  slide: "slide",
  underarmThrow: "throw",
  overarmThrow: "throw",
  straightArmBowl: "bowl",
  pushThrow: "push",
  kick: "kick",
  shortStrike: "hit",
  longStrike: "push",
  twoHandStrike: "hit",
  handStrike: "hit",
  forehand: "hit",
  backhand: "hit",
  keepUp: "try",
  catch: "try",
  tossCatch: "try",
  carry: "try",
  dribbleFoot: "try",
  dribbleStick: "try",
  balance: "try",
};
export const verbOf = (action: Action) => VERBS[action];

/** One attempt and several. A hit is also what succeeds, so an attempt with a bat is a swing. */
const NOUNS: Record<ReturnType<typeof verbOf>, readonly [one: string, many: string]> = {
  roll: ["roll", "rolls"],
  slide: ["slide", "slides"],
  throw: ["throw", "throws"],
  bowl: ["bowl", "bowls"],
  push: ["push", "pushes"],
  kick: ["kick", "kicks"],
  hit: ["swing", "swings"],
  try: ["try", "tries"],
};

/** The words that a sentence may use for an attempt: `1 roll`, `12 rolls`, `Rolls per go`, and the verb it chooses by. */
export interface AttemptWords {
  verb: string;
  one: string;
  many: string;
  One: string;
  Many: string;
}
const capital = (word: string) => word[0]!.toUpperCase() + word.slice(1);
const wordsFrom = (verb: string, one: string, many: string): AttemptWords & Record<string, string> => ({
  verb,
  one,
  many,
  One: capital(one),
  Many: capital(many),
});

/** What an attempt is called where the action is not known or several are mixed: a child tries, a teacher counts attempts. */
export const ANY_TRY = wordsFrom("try", "try", "tries");
export const ANY_ATTEMPT = wordsFrom("try", "attempt", "attempts");

/** What an attempt at this action is called on the family's side. Example: `attemptWords("underarmRoll").many` is `rolls`. */
export function attemptWords(action: Action): AttemptWords & Record<string, string> {
  const [one, many] = NOUNS[verbOf(action)];
  return wordsFrom(verbOf(action), one, many);
}
/** What an attempt at this action is called on the teacher's side, where an action without a noun of its own has attempts. */
export const attemptWordsForTeacher = (action: Action): AttemptWords & Record<string, string> =>
  verbOf(action) === "try" ? ANY_ATTEMPT : attemptWords(action);
