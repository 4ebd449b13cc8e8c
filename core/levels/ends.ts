import type { Role } from "../contract/contract.ts";
import { forecastActivity, type Who } from "../forecast/for-activity.ts";
import { Graph } from "../forecast/forecast.ts";
import type { Activity } from "../formats/activity.ts";
import { memoizeByIdentity } from "../memoize.ts";

/**
 * How many games are played if all states cannot be followed: a standard error of 2 points or better, unless the
 * games are so long that the budget runs out.
 */
const GOES = 600;
/** The budget of steps for following or playing a game, because this happens for many settings in a row. */
const EXACT = 8000;
const STEPS = 40_000;

/** Who plays, and how, changes the chances but never the states, so one graph serves all. */
const graphOf = memoizeByIdentity((_: Activity) => new Graph());

/**
 * The share of goes played alone that reach the end: the top, the total, everything there is to do; 0 to 1. `stop` is
 * asked now and then; `ForecastStopped` is thrown once it returns true.
 */
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
    // A head start is part of a state.
    ...(!self?.head && { graph: graphOf(activity) }),
  };
  return forecastActivity(activity, [who], setup, "middle", more).sides[0]!.finish;
}
