import type { Role } from "../contract/contract.ts";
import { forecastActivity, type Who } from "../forecast/for-activity.ts";
import { Graph } from "../forecast/forecast.ts";
import type { Activity } from "../formats/activity.ts";
import { memoizeByIdentity } from "../memoize.ts";

/** Games played out where it cannot be gone through: a standard error of 2 points or better, where they are not so long that steps run out. */
const GOES = 600;
/** Steps that going through it, and playing it out, may cost: it is done for many settings in a row. */
const EXACT = 8000;
const STEPS = 40_000;

/** Who plays, and how, changes the chances and never the states: one graph of them serves all. */
const graphOf = memoizeByIdentity((_: Activity) => new Graph());

/** The share of goes, played alone, that reach the end: the top, the total, all that there is to do; 0 to 1. `stop`: asked now and then; `ForecastStopped` once it says true. */
export function endIn(
  activity: Activity,
  who: Who,
  self: Omit<Role, "role"> | null = null,
  stop: () => boolean = () => false,
): number {
  const people = self ? { people: [{ role: "plays" as const, ...self }] } : {};
  const setup = { players: 1, mode: "alone", seed: 1, ...people } as const;
  const more = {
    samples: GOES,
    exactBudget: EXACT,
    sampleBudget: STEPS,
    untimed: true,
    stop,
    // Points to begin with are part of a state.
    ...(!self?.head && { graph: graphOf(activity) }),
  };
  return forecastActivity(activity, [who], setup, "middle", more).sides[0]!.finish;
}
