import { MIN_PASSWORD } from "./password.ts";

/**
 * A password that can be found within this many guesses (powers of ten) is refused, because it is on lists of common
 * passwords or resembles them.
 */
const MIN_GUESSES = 6;
/** How much of a password is examined. More would only take longer. */
const MAX_LOOKED_AT = 100;

let checker: Promise<(password: string, words: string[]) => number> | null = null;
/** The lists are loaded when the first password is set. Signing in does not need them. */
const guessesOf = () => {
  checker ??= (async () => {
    const [{ ZxcvbnFactory }, { adjacencyGraphs, dictionary }] = await Promise.all([
      import("@zxcvbn-ts/core"),
      import("@zxcvbn-ts/language-common"),
    ]);
    const factory = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
    return (password: string, words: string[]) => factory.check(password, words).guessesLog10;
  })();
  return checker;
};

/**
 * Says what is wrong with a new password. Null if nothing is. `about`: name, school and email address, because
 * passwords made from them are guessed first. `1234567890` and `passwordpassword` are refused, `chalk-and-tape` is
 * not.
 */
export async function passwordProblem(password: string, about: readonly string[] = []): Promise<string | null> {
  if (password.length < MIN_PASSWORD) return `The password needs at least ${MIN_PASSWORD} characters.`;
  const parts = about.map((action) => action.toLowerCase().split(/[^\p{L}\p{N}]+/u));
  const words = [...parts.flat(), ...parts.map((part) => part.join(""))].filter((word) => word.length > 2);
  const guesses = (await guessesOf())(password.slice(0, MAX_LOOKED_AT), words);
  if (guesses >= MIN_GUESSES) return null;
  return "This password is too easy to guess. Use three or four words that do not belong together.";
}
