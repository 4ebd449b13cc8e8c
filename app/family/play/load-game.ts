import type { AnyPlayPattern } from "#core/contract/contract.ts";
import { setBeforePlay } from "#core/contract/game.ts";
import type { Activity } from "#core/formats/activity.ts";
import { loadPlay } from "#core/patterns/load-play.ts";
import { loadWords } from "#words/generated/load.ts";
import type { Choosable } from "./choosable.ts";

/** The code of a game as a device needs it: what is played, and what the family may set of it before the first send. */
export interface LoadedGame {
  pattern: AnyPlayPattern;
  choices: readonly Choosable[];
}

async function loadPlayed(activity: Activity): Promise<LoadedGame> {
  if (!setBeforePlay(activity)) return { pattern: await loadPlay(activity.pattern.name), choices: [] };
  const { loadChoosable } = await import("./choosable.ts");
  return loadChoosable(activity);
}

/** The code of the game of an activity, and its sentences with it. The schema comes along only where something is set before play. */
export async function loadGame(activity: Activity): Promise<LoadedGame> {
  const [game] = await Promise.all([loadPlayed(activity), loadWords(activity.pattern.name)]);
  return game;
}
