import * as Comlink from "comlink";
import type { SchoolItems } from "#core/compile/card.ts";
import { fitHomes, type KitFit } from "#core/compile/class-fit.ts";
import type { HomeFacts } from "#core/compile/for-home.ts";
import { forecastActivity, type Who } from "#core/forecast/for-activity.ts";
import { type Forecast, Graph } from "#core/forecast/forecast.ts";
import type { Activity } from "#core/formats/activity.ts";
import { listOf } from "#core/kit/items.ts";

const alone = { players: 1, mode: "alone", seed: 1 } as const;

/** Each person alone, by the middle-aim policy; one graph of states for all of them. */
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

/** A match of two, for the players' station. */
function match(activity: Activity, people: readonly [Who, Who]): Forecast {
  return forecastActivity(activity, people, { players: 2, mode: "against", seed: 1 }, "middle", {
    method: "sampled",
    samples: 2500,
  });
}

/** Which homes can do it with their own things, and what would let the others in. */
function homes(activity: Activity, facts: readonly HomeFacts[], items: SchoolItems, who: Who): KitFit[] {
  return fitHomes(activity, facts, listOf(items.own, items.hidden), who);
}

const api = { each, match, homes };
export type ForecastWorker = typeof api;
Comlink.expose(api);
