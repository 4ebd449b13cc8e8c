import { mainAsks } from "../asks/ask.ts";
import { type Play, view } from "./play.ts";

/**
 * The least variation in the time from one throw and its fetching to the next, as a standard deviation of its
 * logarithm: an assumption.
 */
const DIFFERS = 0.2;
/** Fewer times than this say nothing. */
const MIN_TIMES = 10;
/** One honest go in a thousand is this many standard deviations below. */
const ONE_IN_THOUSAND = 3.09;

/**
 * The value below which a chi-square variable with these degrees of freedom lies once in a thousand. Source: Wilson
 * and Hilferty's cube root.
 */
function rarelyBelow(freedom: number): number {
  const value = 2 / (9 * freedom);
  return freedom * (1 - value - ONE_IN_THOUSAND * Math.sqrt(value)) ** 3;
}

/**
 * True if the throws of a go alone, each fetched before the next, came more evenly than throwing and fetching allow,
 * as when somebody types it in from memory. Nobody is to blame for it.
 */
export function even(play: Play): boolean {
  if (play.setup.players > 1 || view(play).laid !== null) return false;
  const at: number[] = [];
  for (const [i, { event }] of play.standing.entries()) {
    if (event.kind !== "send") continue;
    const ask = mainAsks(play.game.asks(play.standing[i - 1]?.after ?? play.begin)).find(
      (mainAsk) => mainAsk.kind === "send",
    );
    if (ask?.kind !== "send" || !ask.fetch) return false;
    at.push(event.at);
  }
  const times = at.slice(1).map((t, i) => Math.log(Math.max(1, t - at[i]!)));
  if (times.length < MIN_TIMES) return false;
  const middle = times.reduce((sum, b) => sum + b, 0) / times.length;
  const squares = times.reduce((sum, t) => sum + (t - middle) ** 2, 0);
  return squares < DIFFERS ** 2 * rarelyBelow(times.length - 1);
}
