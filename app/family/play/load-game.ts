import type { AnyPlayPattern } from "#core/contract/contract.ts";
import { setBeforePlay } from "#core/contract/game.ts";
import type { Activity } from "#core/formats/activity.ts";
import { loadPattern, loadPlay } from "#core/patterns/load.ts";
import { loadWords } from "#words/generated/load.ts";
import type { Choosable } from "./choosable.ts";

/** The code of a game as a device needs it: what is played, and what the family may set of it before the first send. */
export interface LoadedGame {
  pattern: AnyPlayPattern;
  choices: readonly Choosable[];
}

/** What the family may set of an activity; nothing is loaded where it may set nothing. */
export async function loadChoices(activity: Activity): Promise<readonly Choosable[]> {
  if (activity.family.length === 0) return [];
  const [pattern, { choosable }] = await Promise.all([loadPattern(activity.pattern.name), import("./choosable.ts")]);
  return choosable(activity, pattern);
}

/** The code of the game of an activity, and its sentences with it. The schema comes along only where something is set before play. */
export async function loadGame(activity: Activity): Promise<LoadedGame> {
  const { name } = activity.pattern;
  const [pattern, choices] = await Promise.all([
    setBeforePlay(activity) ? loadPattern(name) : loadPlay(name),
    loadChoices(activity),
    loadWords(name),
  ]);
  return { pattern, choices };
}
