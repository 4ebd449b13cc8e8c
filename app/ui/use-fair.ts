import type { Fair } from "#core/fair/fair.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import type { Item } from "#core/items/item.ts";
import type { FairWorker } from "../workers/fair.worker.ts";
import { useBeside } from "./use-beside.ts";

const made = () => new Worker(new URL("../workers/fair.worker.ts", import.meta.url), { type: "module" });

/** Works out a fair match beside the screen. It can be given up. */
export function useFair(): {
  state: "idle" | "working" | "failed";
  /** `items`: the built-in items that the activity is played with, as far as the page has them. */
  find: (
    match: { activity: Activity; who: readonly Who[]; items?: readonly Item[] },
    done: (fair: Fair) => void,
  ) => void;
  stop: () => void;
} {
  const { state, ask, stop } = useBeside<FairWorker>(made);
  return {
    state,
    stop,
    find: ({ activity, who, items = [] }, done) =>
      ask((remote) => remote.match(activity, who, items) as Promise<Fair>, done),
  };
}
