import type { Setup } from "../contract/contract.ts";
import type { Game } from "../contract/opened-game.ts";
import { type Distribution, mixed } from "./distribution.ts";
import type { Forecast, SideForecast } from "./result.ts";

/** A setup in which one of the sides starts, and the place of each side in it, in the order of the original match. */
export interface Order {
  setup: Setup;
  places: readonly number[];
}

/**
 * A match with each of its sides starting once, in the order of the sides. A single setup if it makes no difference
 * who starts.
 */
export function ordersOf(game: Game, setup: Setup): Order[] {
  const sidesIn = (of: Setup) => game.score(game.start(of)).map((score) => score.players.join());
  const sides = sidesIn(setup);
  const given: Order = { setup, places: sides.map((_, i) => i) };
  if (setup.mode !== "against" || sides.length < 2 || !game.sidesMeet(setup)) return [given];
  return sides.map((_, k) => {
    if (k === 0) return given;
    const as = game.starting(setup, k);
    const there = sidesIn(as);
    // One person may play both sides.
    return { setup: as, places: sides.map((players, i) => (there[i] === players ? i : there.indexOf(players))) };
  });
}

const average = (list: readonly number[]) => list.reduce((sum, b) => sum + b, 0) / list.length;

/**
 * Combines the forecasts of one match with each side starting, in the order of `ordersOf`, into one in which the
 * starting side is drawn by lot.
 */
export function overStarts(each: readonly Forecast[], orders: readonly Order[]): Forecast {
  const count = each.length;
  const [first] = each;
  if (count === 1) return first!;
  const alike = (of: (forecast: Forecast) => Distribution) =>
    mixed(each.map((forecast) => [of(forecast), 1 / count] as const));
  const sides = first!.sides.map((side, i): SideForecast => {
    const of = (k: number) => each[k]!.sides[orders[k]!.places[i]!]!;
    const all = each.map((_, k) => of(k));
    return {
      players: side.players,
      sends: mixed(all.map((sideForecast) => [sideForecast.sends, 1 / count] as const)),
      points: mixed(all.map((sideForecast) => [sideForecast.points, 1 / count] as const)),
      stage: mixed(all.map((sideForecast) => [sideForecast.stage, 1 / count] as const)),
      finish: average(all.map((sideForecast) => sideForecast.finish)),
      win: average(all.map((sideForecast) => sideForecast.win ?? 0)),
    };
  });
  return {
    ...first!,
    choice: each.find((forecast) => forecast.choice !== null)?.choice ?? null,
    leftOut: [...new Set(each.flatMap((forecast) => forecast.leftOut))].sort(),
    size: each.reduce((sum, forecast) => sum + forecast.size, 0),
    standardError: Math.sqrt(each.reduce((sum, forecast) => sum + forecast.standardError ** 2, 0)) / count,
    stoppedBy: each.find((forecast) => forecast.stoppedBy === "budget")?.stoppedBy ?? first!.stoppedBy,
    cut: average(each.map((forecast) => forecast.cut)),
    sides,
    tie: average(each.map((forecast) => forecast.tie ?? 0)),
    starts: each.map((forecast, k) => sides.map((_, i) => forecast.sides[orders[k]!.places[i]!]!.win ?? 0)),
    rounds: alike((forecast) => forecast.rounds),
    time: alike((forecast) => forecast.time),
    share: {
      acting: average(each.map((forecast) => forecast.share.acting)),
      fetching: average(each.map((forecast) => forecast.share.fetching)),
      waiting: average(each.map((forecast) => forecast.share.waiting)),
    },
  };
}
