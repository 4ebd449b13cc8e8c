import type { BaseState } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";

export interface Kept<G> {
  go: G;
  ms: number;
  /** The player, if each has a go of their own. */
  by: number;
}
export interface Side<G> {
  players: readonly number[];
  /** The number of goes that the side has in all. */
  goes: number;
  /** True if something has happened in the go in progress. */
  begun: boolean;
  /** The index of the player who is next. */
  at: number;
  go: G;
  kept: readonly Kept<G>[];
  done: boolean;
  /** True if the side has finished its part of the go and is waiting for the others. */
  rests: boolean;
}
export interface MatchState<P, G> extends BaseState {
  params: P;
  match: Match;
  sides: readonly Side<G>[];
  /** The side whose turn it is. */
  side: number;
  /** True if the clock is waiting to start. */
  waiting: boolean;
  /** When this go or its clock began, and the time of the last event, milliseconds since the play began. */
  since: number;
  last: number;
  carried: number;
  over: boolean;
  /** What elapsed time affects; see `Rules.clock`. */
  timing: "none" | "bell" | "state";
}

/** The same state with a change to one side. */
export function withSide<P, G>(state: MatchState<P, G>, i: number, change: Partial<Side<G>>): MatchState<P, G> {
  const sides = [...state.sides];
  sides[i] = { ...sides[i]!, ...change };
  return { ...state, sides };
}
/** The player of a side whose turn it is. */
export const playerOf = <G>(side: Side<G>) => side.players[side.at % side.players.length]!;
