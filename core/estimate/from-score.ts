import { betterIn } from "../contract/contract.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { Graph } from "../forecast/forecast.ts";
import type { SideForecast } from "../forecast/result.ts";
import type { Activity } from "../formats/activity.ts";
import type { Age } from "../measures/stature.ts";
import type { PlayScore } from "../records/play.ts";
import { type Evidence, whoAt } from "./evidence.ts";
import { AT, AXES, EVERY, finer } from "./grid.ts";

const ALONE = { players: 1, mode: "alone", seed: 1 } as const;
/** How many games are played if a whole game cannot be worked out exactly: enough for a curve over nine points. */
const GAMES = 1000;
/** A score in tenths of a second also counts outcomes about as near, as a share of it. */
const ABOUT = 0.06;
/** No score is treated as less likely than this, so that none decides alone. */
const LEAST = 1e-3;

/**
 * The chance of a score in a forecast: of exactly that one; for times, of one about as long; for an unfinished go, of
 * getting as far.
 */
function chanceOf(side: SideForecast, s: Pick<PlayScore, "value" | "unit" | "finished" | "stage" | "stages">): number {
  const less = betterIn(s.unit) === "less";
  const mass = (d: { at: number[]; p: number[] }, near: (at: number) => boolean) =>
    d.at.reduce((sum, at, i) => sum + (near(at) ? d.p[i]! : 0), 0);
  if (less && !s.finished) return mass(side.stage, (at) => at === s.stage);
  const within = s.unit === "tenths" ? ABOUT * s.value : 0.5;
  return mass(side.points, (at) => Math.abs(at - s.value) <= within);
}

/**
 * What a score says about a child if nothing else of the go is known (on paper, or typed after the bell): the chance
 * of that score in the forecast of a go alone, at nine points of each axis, with a smooth curve between them. For the
 * activity's own action. If the game has to be sampled, `GAMES` are played.
 */
export function evidenceOfScore(activity: Activity, age: Age, score: PlayScore): Evidence[] {
  const graph = new Graph();
  return AXES.flatMap((axis): Evidence[] => {
    const points = AT[axis].filter((_, i) => i % EVERY === 0);
    const forecasts = points.map((point) =>
      forecastActivity(activity, [whoAt(axis, point, age)], ALONE, "middle", { graph, samples: GAMES }),
    );
    const ll = forecasts.map((forecast) => Math.log(LEAST + (1 - LEAST) * chanceOf(forecast.sides[0]!, score)));
    if (Math.max(...ll) - Math.min(...ll) < 1e-6) return [];
    // A forecast that does not change along the axis says nothing about it, whatever its sampled games happen to
    // show.
    const means = forecasts.map((forecast) =>
      forecast.sides[0]!.points.at.reduce((sum, at, i) => sum + at * forecast.sides[0]!.points.p[i]!, 0),
    );
    const moved = Math.max(...means) - Math.min(...means);
    if (forecasts.every((forecast) => forecast.method === "sampled") && moved < 1e-9) return [];
    return [{ action: activity.aim.action, axis, tries: score.sends, ll: finer(ll, EVERY), hits: 0, means: [] }];
  });
}
