import type { Setup } from "../contract/contract.ts";
import type { Game } from "../contract/game.ts";
import { type Distribution, mixed } from "./distribution.ts";
import type { Forecast, SideForecast } from "./forecast.ts";

/**
 * The setups of a match in which each side starts once, in the order of the sides: the first as it is given, then the next side first. One setup
 * where who starts makes no difference.
 */
export function ordersOf(game: Game, setup: Setup): Setup[] {
  const sides = game.score(game.start(setup)).map((s) => s.players);
  if (setup.mode !== "against" || sides.length < 2 || !game.sidesMeet(setup)) return [setup];
  return sides.map((_, k) => (k === 0 ? setup : { ...setup, sides: [...sides.slice(k), ...sides.slice(0, k)] }));
}

/** The place of a side, as it was given, where side `start` comes first. */
export const placeOf = (side: number, start: number, of: number): number => (side - start + of) % of;

const average = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;

/** Forecasts of one match with each side starting, in the order of `ordersOf`, as one in which who starts is drawn. */
export function overStarts(each: readonly Forecast[]): Forecast {
  const n = each.length;
  const [first] = each;
  if (n === 1) return first!;
  const alike = (of: (f: Forecast) => Distribution) => mixed(each.map((f) => [of(f), 1 / n] as const));
  const sides = first!.sides.map((side, i): SideForecast => {
    const of = (k: number) => each[k]!.sides[placeOf(i, k, n)]!;
    const all = each.map((_, k) => of(k));
    return {
      players: side.players,
      sends: mixed(all.map((s) => [s.sends, 1 / n] as const)),
      points: mixed(all.map((s) => [s.points, 1 / n] as const)),
      stage: mixed(all.map((s) => [s.stage, 1 / n] as const)),
      finish: average(all.map((s) => s.finish)),
      win: average(all.map((s) => s.win ?? 0)),
    };
  });
  return {
    ...first!,
    choice: each.find((f) => f.choice !== null)?.choice ?? null,
    leftOut: [...new Set(each.flatMap((f) => f.leftOut))].sort(),
    size: each.reduce((sum, f) => sum + f.size, 0),
    standardError: Math.sqrt(each.reduce((sum, f) => sum + f.standardError ** 2, 0)) / n,
    stoppedBy: each.find((f) => f.stoppedBy === "budget")?.stoppedBy ?? first!.stoppedBy,
    cut: average(each.map((f) => f.cut)),
    sides,
    starts: each.map((f, k) => sides.map((_, i) => f.sides[placeOf(i, k, n)]!.win ?? 0)),
    rounds: alike((f) => f.rounds),
    time: alike((f) => f.time),
    share: {
      acting: average(each.map((f) => f.share.acting)),
      fetching: average(each.map((f) => f.share.fetching)),
      waiting: average(each.map((f) => f.share.waiting)),
    },
  };
}
