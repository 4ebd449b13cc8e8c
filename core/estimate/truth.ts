import type { Age } from "../measures/stature.ts";
import type { Axis } from "./grid.ts";
import { FINE, finer } from "./grid.ts";
import { type Observation, posterior } from "./posterior.ts";

/** One go and its forecast: its tries, those that succeeded, and how many should have at each point of the axis. */
export interface GoSeen extends Observation {
  child: string;
  age: Age;
  axis: Axis;
  tries: number;
  hits: number;
  means: readonly number[];
}
/** One go next to its forecast, which used everything known before. Shares are 0 to 1. */
export interface Forecasted {
  child: string;
  week: number;
  tries: number;
  hits: number;
  forecast: number;
  /** The share forecast for a child of that age about whom nothing else is known. */
  byAge: number;
  low: number;
  high: number;
  /** The share of games in that range, if the forecast is right. One score often carries a tenth of all games. */
  holds: number;
}
export interface Truth {
  goes: Forecasted[];
  /** By tenths of the forecast share: tries, the share forecast and the share that succeeded. */
  bins: { from: number; tries: number; forecast: number; seen: number }[];
  /** The share of goes inside their 80% range. Null if there are none. */
  inside: number | null;
  /** The share that should be inside, if the forecasts are right. Null if unknown. */
  meant: number | null;
  /**
   * How far forecasts have come from knowing only a child's age (0) to knowing exactly how often they hit (1). Below
   * 0, they are worse than the age alone. Null: too few tries.
   */
  ofPossible: number | null;
}

/** The chances of 0 to n hits if the share itself is uncertain: a mixture of binomials. */
function hitsLaw(count: number, shares: readonly number[], weights: readonly number[]): number[] {
  const out = new Array<number>(count + 1).fill(0);
  for (const [i, weight] of weights.entries()) {
    if (weight < 1e-6) continue;
    const chance = Math.min(1 - 1e-9, Math.max(1e-9, shares[i]!));
    let q = (1 - chance) ** count;
    if (q === 0) {
      // With so many tries, the first term underflows. Start from the middle, in logarithms.
      let log = count * Math.log(1 - chance);
      for (let k = 0; k <= count; k++) {
        out[k]! += weight * Math.exp(log);
        log += Math.log((count - k) / (k + 1)) + Math.log(chance / (1 - chance));
      }
      continue;
    }
    for (let k = 0; k <= count; k++) {
      out[k]! += weight * q;
      q *= ((count - k) / (k + 1)) * (chance / (1 - chance));
    }
  }
  return out;
}
function quantile(law: readonly number[], share: number): number {
  let sum = 0;
  for (const [k, chance] of law.entries()) {
    sum += chance;
    if (sum >= share) return k;
  }
  return law.length - 1;
}

/**
 * Every go next to its forecast, in the order of play. A forecast uses the same child's earlier goes only, or their
 * age if there were none. Goes of one week do not inform each other, and no child's forecast depends on another
 * child.
 */
export function forecastedOf(goes: readonly GoSeen[]): Forecasted[] {
  const usable = goes.filter((go) => go.tries > 0 && go.means.length > 0);
  return usable.map((goSeen): Forecasted => {
    const before = goes.filter((go) => go.child === goSeen.child && go.axis === goSeen.axis && go.week < goSeen.week);
    const { shares: weights } = posterior(goSeen.axis, goSeen.age, before, goSeen.week);
    const shares = finer(goSeen.means.map((eachMean) => eachMean / goSeen.tries)).map((s) =>
      Math.min(1, Math.max(0, s)),
    );
    const mean = (over: readonly number[]) => FINE[goSeen.axis].reduce((sum, _, i) => sum + over[i]! * shares[i]!, 0);
    const law = hitsLaw(goSeen.tries, shares, weights);
    const { child, week, tries, hits } = goSeen;
    const [from, to] = [quantile(law, 0.1), quantile(law, 0.9)];
    const holds = law.slice(from, to + 1).reduce((sum, p) => sum + p, 0);
    const byAge = mean(posterior(goSeen.axis, goSeen.age, []).shares);
    return { child, week, tries, hits, forecast: mean(weights), byAge, low: from / tries, high: to / tries, holds };
  });
}

/** How accurate forecasts were, for every go of every child and over all of them. */
export function truthOf(goes: readonly GoSeen[]): Truth {
  const out = forecastedOf(goes);
  return { goes: out, ...accuracyOf(out) };
}

/** Fewer sends than this say nothing about a share, and smaller differences do not matter. */
const ENOUGH_TRIES = 50;
const NEAR = 0.03;
/** The share that was forecast worst, if any is off by more than 3 points. Null if none is. */
export function worstOf(bins: Truth["bins"]): Truth["bins"][number] | null {
  const off = (b: Truth["bins"][number]) => Math.abs(b.seen - b.forecast);
  const many = bins.filter((bin) => bin.tries >= ENOUGH_TRIES && off(bin) > NEAR);
  return many.length === 0 ? null : many.reduce((a, b) => (off(b) > off(a) ? b : a));
}

/**
 * At least this many tries, and this much difference between knowing the age and knowing everything, are needed for a
 * statement.
 */
const TO_SAY = { tries: 200, apart: 0.004 } as const;
/**
 * How far forecasts have come from the age alone to every child's true share of hits. The squared error of a forecast
 * over a go's tries is its distance from the true share plus p (1 - p), which nobody could forecast. Of n tries with
 * h hits, h (n - h) / (n (n - 1)) is an unbiased estimate of that part.
 */
function ofPossible(goes: readonly Pick<Forecasted, "tries" | "hits" | "forecast" | "byAge">[]): number | null {
  const some = goes.filter((go) => go.tries > 1);
  const sum = (of: (game: (typeof some)[number]) => number) => some.reduce((total, game) => total + of(game), 0);
  const squares = (of: (game: (typeof some)[number]) => number) =>
    sum((game) => game.hits * (1 - of(game)) ** 2 + (game.tries - game.hits) * of(game) ** 2);
  const tries = sum((game) => game.tries);
  const byAge = squares((game) => game.byAge);
  const least = sum((game) => (game.hits * (game.tries - game.hits)) / (game.tries - 1));
  if (tries < TO_SAY.tries || byAge - least < TO_SAY.apart * tries) return null;
  return (byAge - squares((game) => game.forecast)) / (byAge - least);
}

/** The accuracy of forecasts over some goes. It is a sum over them, so it costs almost nothing. */
export function accuracyOf(out: readonly Omit<Forecasted, "child" | "week">[]): Omit<Truth, "goes"> {
  const tries = out.reduce((sum, game) => sum + game.tries, 0);
  if (tries === 0) return { bins: [], inside: null, meant: null, ofPossible: null };
  const meant = out.reduce((sum, game) => sum + game.holds, 0) / out.length;
  const inside = out.filter(
    (game) => game.hits / game.tries >= game.low - 1e-9 && game.hits / game.tries <= game.high + 1e-9,
  ).length;
  const bins = Array.from({ length: 10 }, (_, i) =>
    out.filter((game) => Math.min(9, Math.floor(10 * game.forecast)) === i),
  ).flatMap((list, i) => {
    const count = list.reduce((sum, game) => sum + game.tries, 0);
    if (count === 0) return [];
    return [
      {
        from: i / 10,
        tries: count,
        forecast: list.reduce((sum, game) => sum + game.tries * game.forecast, 0) / count,
        seen: list.reduce((sum, game) => sum + game.hits, 0) / count,
      },
    ];
  });
  return { bins, inside: inside / out.length, meant, ofPossible: ofPossible(out) };
}
