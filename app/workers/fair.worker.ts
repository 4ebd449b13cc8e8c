import * as Comlink from "comlink";
import { setBeforePlay } from "#core/contract/game.ts";
import { type Fair, fairMatch } from "#core/fair/fair.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { loadPlay } from "#core/patterns/load-play.ts";
import { keepLoaded } from "#core/patterns/loaded.ts";

const fair = {
  /** Finds the smallest change that makes a match fair. End the worker to give it up. */
  match: async (activity: Activity, who: readonly Who[]): Promise<Fair> => {
    // A phone fetches this game only, and its schema only if the family may set something before play.
    const load = setBeforePlay(activity) ? (await import("#core/patterns/load.ts")).loadPattern : loadPlay;
    keepLoaded(await load(activity.pattern.name));
    return fairMatch(activity, who);
  },
};
export type FairWorker = typeof fair;

Comlink.expose(fair);
