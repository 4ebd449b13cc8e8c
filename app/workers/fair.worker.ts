import * as Comlink from "comlink";
import type { Aim } from "#core/asks/ask.ts";
import { loadKind } from "#core/chances/load-kind.ts";
import { KindNotLoaded } from "#core/chances/loaded-kinds.ts";
import { setBeforePlay } from "#core/contract/game.ts";
import { type Fair, fairMatch } from "#core/fair/fair.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { itemsPlayed } from "#core/formats/items-played.ts";
import { openedPlay } from "#core/formats/opened-play.ts";
import type { Item } from "#core/items/item.ts";
import { itemIn, keepItems } from "#core/kit/known-items.ts";
import { loadPlay } from "#core/patterns/load-play.ts";
import { keepLoaded } from "#core/patterns/loaded.ts";

const fair = {
  /**
   * Finds the smallest change that makes a match fair. End the worker to give it up. `items`: the built-in items that
   * the activity is played with, as far as the page has them.
   */
  match: async (activity: Activity, who: readonly Who[], items: readonly Item[]): Promise<Fair> => {
    // A phone fetches this game only, and its schema only if the family may set something before play.
    const load = setBeforePlay(activity) ? (await import("#core/patterns/load.ts")).loadPattern : loadPlay;
    keepLoaded(await load(activity.pattern.name));
    keepItems(items);
    // After a swap the page may not have an item.
    if (!itemsPlayed(activity).every((id) => itemIn(activity.kit, id))) await import("#core/kit/catalogue.ts");
    if (activity.layout) await import("#core/yard/layouts/index.ts");
    // The meanings of its aims are loaded in the same way. One that only comes up later in the game is loaded then.
    const aims = openedPlay(activity).probes.flatMap(({ ask }) => ("aim" in ask ? [(ask.aim as Aim).kind] : []));
    await Promise.all([...new Set(aims)].map(loadKind));
    for (;;) {
      try {
        return fairMatch(activity, who);
      } catch (error) {
        if (!(error instanceof KindNotLoaded)) throw error;
        await loadKind(error.kind);
      }
    }
  },
};
export type FairWorker = typeof fair;

Comlink.expose(fair);
