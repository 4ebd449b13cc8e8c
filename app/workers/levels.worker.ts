import * as Comlink from "comlink";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { proposeAmount } from "#core/levels/amounts.ts";
import type { Level } from "#core/levels/levels.ts";

const work = {
  /** See `proposeAmount`. `seen` is called with the number of values looked at so far. */
  propose: (
    activity: Activity,
    who: Who,
    field: string,
    want: { corridor: { low: number; high: number }; count: number },
    seen: (values: number) => void,
  ): Level[] => proposeAmount(activity, who, field, want, { seen }),
};
export type LevelsWorker = typeof work;
Comlink.expose(work);
