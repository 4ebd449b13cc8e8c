import { agePrior, PRIOR_SD } from "../aim/priors.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import type { Age } from "../measures/stature.ts";
import { forecastActivity, type Who } from "./for-activity.ts";
import { Graph } from "./forecast.ts";

/** A score that at most this share of all children of an age reach is worth a look. */
export const RARE = 0.001;
/**
 * Children of an age as a few kinds, the best first: how many standard deviations they are better than the typical
 * one, and their share. A child who misses less is assumed to be steadier and quicker too, so that no good child is
 * marked for being good at everything.
 */
const KINDS_OF_CHILD: readonly (readonly [better: number, share: number])[] = [
  [3.25, 0.002],
  [2.5, 0.0148],
  [1.75, 0.0678],
  [1, 0.1814],
  [0.25, 0.2838],
  [-0.7, 0.4502],
];
/** A child who is this many standard deviations better than the typical one of that age. */
export const childAt = (age: Age, better: number): Who => ({
  age,
  multiplier: agePrior(age).multiplier * Math.exp(-PRIOR_SD.multiplier * better),
  skill: PRIOR_SD.skill * better,
  pace: Math.exp(PRIOR_SD.pace * better),
});

/**
 * The score from which a go alone is worth a look: the lowest (where less is better: the highest) that at most one in
 * a thousand children of that age reach, over everything unknown about a child. Null if no score is so rare. Source:
 * brief, "Review".
 */
export function rareScore(activity: Activity, age: Age): number | null {
  const less = opened(activity).possible.better === "less";
  const graph = new Graph();
  const all = new Map<number, number>();
  for (const [better, share] of KINDS_OF_CHILD) {
    const forecast = forecastActivity(
      activity,
      [childAt(age, better)],
      { players: 1, mode: "alone", seed: 1 },
      "middle",
      {
        graph,
      },
    );
    const { at, p } = forecast.sides[0]!.points;
    for (const [i, value] of at.entries()) all.set(value, (all.get(value) ?? 0) + share * p[i]!);
  }
  // Starting with the best score, as long as all scores so far are rare.
  const scores = [...all.keys()].sort((x, y) => (less ? x - y : y - x));
  let reached = 0;
  let rare: number | null = null;
  for (const score of scores) {
    reached += all.get(score)!;
    if (reached > RARE) return rare;
    rare = score;
  }
  return rare;
}
