import type { Setup } from "../contract/contract.ts";
import { MAX_HEAD } from "../contract/contract.ts";
import type { Game } from "../contract/opened-game.ts";

/**
 * The largest head start in a match: as many points (or goals, or runs) as still make a difference. 0: the game does
 * not count any.
 */
export function mostHead(game: Game): number {
  const rank = (head: number): number => {
    const people: Setup["people"] = [{ role: "plays", ...(head > 0 && { head }) }, { role: "plays" }];
    const begun = game.start({ players: 2, mode: "against", seed: 1, people });
    return game.score(begun).find((score) => score.players.includes(0))!.rank;
  };
  if (!(rank(1) > rank(0))) return 0;
  // A larger head start never hurts, and from some number on it changes nothing.
  let [lo, hi] = [1, MAX_HEAD + 1];
  while (hi - lo > 1) {
    const mid = Math.floor((lo + hi) / 2);
    if (rank(mid) > rank(mid - 1)) lo = mid;
    else hi = mid;
  }
  return lo;
}
