import type { Action } from "#core/actions/actions.ts";

/** The verb of each action as a family says it. Sentences choose their words by it. */
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

/** The noun for one attempt and for several. "Hit" also means success, so an attempt with a bat is a swing. */
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

/** The words for an attempt in sentences: `1 roll`, `12 rolls`, `Rolls per go`, and the verb. */
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

/** The words for an attempt if the action is unknown or mixed: a child tries, a teacher counts attempts. */
export const ANY_TRY = wordsFrom("try", "try", "tries");
export const ANY_ATTEMPT = wordsFrom("try", "attempt", "attempts");

/**
 * The words for an attempt at this action on the family's side. Example: `attemptWords("underarmRoll").many` is
 * `rolls`.
 */
export function attemptWords(action: Action): AttemptWords & Record<string, string> {
  const [one, many] = NOUNS[verbOf(action)];
  return wordsFrom(verbOf(action), one, many);
}
/** The words for an attempt at this action on the teacher's side. An action without a noun of its own has attempts. */
export const attemptWordsForTeacher = (action: Action): AttemptWords & Record<string, string> =>
  verbOf(action) === "try" ? ANY_ATTEMPT : attemptWords(action);
