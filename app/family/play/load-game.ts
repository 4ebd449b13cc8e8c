import type { AnyPlayPattern } from "#core/contract/contract.ts";
import { setBeforePlay } from "#core/contract/game.ts";
import type { Activity } from "#core/formats/activity.ts";
import { loadPlay } from "#core/patterns/load-play.ts";
import { loadWords } from "#words/generated/load.ts";
import type { Choosable } from "./choosable.ts";

/** The code that a device needs to play a game, and the choices that its family may make first. */
export interface LoadedGame {
  pattern: AnyPlayPattern;
  choices: readonly Choosable[];
}

async function loadPlayed(activity: Activity): Promise<LoadedGame> {
  if (!setBeforePlay(activity)) return { pattern: await loadPlay(activity.pattern.name), choices: [] };
  const { loadChoosable } = await import("./choosable.ts");
  return loadChoosable(activity);
}

/** Loads an activity's game and its sentences. The schema is loaded only if the family may set something before play. */
export async function loadGame(activity: Activity): Promise<LoadedGame> {
  const [game] = await Promise.all([loadPlayed(activity), loadWords(activity.pattern.name)]);
  return game;
}
