import type { Setup } from "../contract/contract.ts";
import type { Game } from "../contract/opened-game.ts";
import { type Distribution, mixed } from "./distribution.ts";
import type { Forecast, SideForecast } from "./result.ts";

/** A setup in which one of the sides starts, and the place of each side in it, in the order of the match as it was given. */
export interface Order {
  setup: Setup;
  places: readonly number[];
}

/** A match with each of its sides starting once, in the order of the sides; one setup where who starts makes no difference. */
export function ordersOf(game: Game, setup: Setup): Order[] {
  const sidesIn = (of: Setup) => game.score(game.start(of)).map((s) => s.players.join());
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

const average = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;

/** Forecasts of one match with each side starting, in the order of `ordersOf`, as one in which who starts is drawn. */
export function overStarts(each: readonly Forecast[], orders: readonly Order[]): Forecast {
  const n = each.length;
  const [first] = each;
  if (n === 1) return first!;
  const alike = (of: (f: Forecast) => Distribution) => mixed(each.map((f) => [of(f), 1 / n] as const));
  const sides = first!.sides.map((side, i): SideForecast => {
    const of = (k: number) => each[k]!.sides[orders[k]!.places[i]!]!;
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
    tie: average(each.map((f) => f.tie ?? 0)),
    starts: each.map((f, k) => sides.map((_, i) => f.sides[orders[k]!.places[i]!]!.win ?? 0)),
    rounds: alike((f) => f.rounds),
    time: alike((f) => f.time),
    share: {
      acting: average(each.map((f) => f.share.acting)),
      fetching: average(each.map((f) => f.share.fetching)),
      waiting: average(each.map((f) => f.share.waiting)),
    },
  };
}
