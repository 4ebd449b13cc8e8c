import { MIN_PASSWORD } from "./password.ts";

/** A password found within this many guesses (powers of ten) is refused: it is on lists of common ones, or made like them. */
const MIN_GUESSES = 6;
/** Most of a password that is looked at: longer ones only take longer. */
const MAX_LOOKED_AT = 100;

let checker: Promise<(password: string, words: string[]) => number> | null = null;
/** The lists are read when the first password is set, since signing in needs none of them. */
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
 * What is wrong with a password that somebody wants to set, in words; null where nothing is. `about`: name, school and address, since a password
 * made of them is guessed first. `1234567890` and `passwordpassword` are refused, `chalk-and-tape` is not.
 */
export async function passwordProblem(password: string, about: readonly string[] = []): Promise<string | null> {
  if (password.length < MIN_PASSWORD) return `The password needs at least ${MIN_PASSWORD} characters.`;
  const parts = about.map((action) => action.toLowerCase().split(/[^\p{L}\p{N}]+/u));
  const words = [...parts.flat(), ...parts.map((part) => part.join(""))].filter((word) => word.length > 2);
  const guesses = (await guessesOf())(password.slice(0, MAX_LOOKED_AT), words);
  if (guesses >= MIN_GUESSES) return null;
  return "This password is too easy to guess. Use three or four words that do not belong together.";
}
