import * as Comlink from "comlink";
import type { SchoolItems } from "#core/compile/card.ts";
import { fitHomes, type KitFit } from "#core/compile/class-fit.ts";
import { type Fitted, forHome, type HomeFacts } from "#core/compile/for-home.ts";
import type { Phrase } from "#core/contract/contract.ts";
import { mean } from "#core/forecast/distribution.ts";
import { forecastActivity, layoutOf, type Who } from "#core/forecast/for-activity.ts";
import { Graph } from "#core/forecast/forecast.ts";
import type { Forecast } from "#core/forecast/result.ts";
import { warningsOf } from "#core/forecast/warnings.ts";
import { type Activity, parseActivity } from "#core/formats/activity.ts";
import { listOf } from "#core/kit/items.ts";
import { endsOn } from "#core/levels/amounts.ts";
import type { Part } from "#core/yard/parts.ts";

const alone = { players: 1, mode: "alone", seed: 1 } as const;

/** Forecasts for each person playing alone, who aims at the middle. All use one graph of states. */
function each(activity: Activity, people: readonly Who[]): Forecast[] {
  const graph = new Graph();
  const known = new Map<string, Forecast>();
  return people.map((who) => {
    const key = `${who.age} ${who.multiplier ?? ""}`;
    const found = known.get(key) ?? forecastActivity(activity, [who], alone, "middle", { graph });
    known.set(key, found);
    return found;
  });
}

/** What one person playing alone can expect of each activity, points. Null if it cannot be played alone. */
function expected(activities: readonly Activity[], who: Who): (number | null)[] {
  return activities.map((activity) => {
    if (!parseActivity(activity).ok) return null;
    return mean(forecastActivity(activity, [who], alone, "middle").sides[0]!.points);
  });
}

/** A match of two, for the players' station. */
function match(activity: Activity, people: readonly [Who, Who]): Forecast {
  return forecastActivity(activity, people, { players: 2, mode: "against", seed: 1 }, "middle", {
    method: "sampled",
    samples: 2500,
  });
}

/** Which homes can do an activity with their own items, and what would make the others ready. */
function homes(activity: Activity, facts: readonly HomeFacts[], items: SchoolItems, who: Who): KitFit[] {
  return fitHomes(activity, facts, listOf(items.own, items.hidden), who);
}

/** An activity compiled for one home: its parts, where they lie, and what was changed. */
function oneHome(activity: Activity, facts: HomeFacts, items: SchoolItems, age: number): HomeMade {
  const { activity: made, place, changes } = forHome(activity, { age }, facts, listOf(items.own, items.hidden));
  return { home: facts.id, parts: layoutOf(made), place, changes };
}
export interface HomeMade {
  home: string;
  parts: Part[];
  place: Fitted | null;
  changes: Phrase[];
}

const api = { each, expected, match, homes, oneHome, warnings: warningsOf, ends: endsOn };
export type ForecastWorker = typeof api;
Comlink.expose(api);
