import * as Comlink from "comlink";
import { type Fair, fairMatch } from "#core/fair/fair.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";

const fair = {
  /** The smallest change that makes it even; the worker is ended to give it up. */
  match: (activity: Activity, who: readonly Who[]): Fair => fairMatch(activity, who),
};
export type FairWorker = typeof fair;

Comlink.expose(fair);
