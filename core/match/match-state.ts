import type { BaseState } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";

export interface Kept<G> {
  go: G;
  ms: number;
  /** Whose it was, where each has its own. */
  by: number;
}
export interface Side<G> {
  players: readonly number[];
  /** Goes that it has in all. */
  goes: number;
  /** Something has happened in the go under way. */
  begun: boolean;
  /** Who of them comes next, by place. */
  at: number;
  go: G;
  kept: readonly Kept<G>[];
  done: boolean;
  /** Its part of the go under way is over and it waits for the others. */
  rests: boolean;
}
export interface MatchState<P, G> extends BaseState {
  params: P;
  match: Match;
  sides: readonly Side<G>[];
  /** Whose turn it is. */
  side: number;
  /** The clock waits for its start. */
  waiting: boolean;
  /** When this go or its clock began, and the last thing seen, milliseconds since the play began. */
  since: number;
  last: number;
  carried: number;
  over: boolean;
  /** What elapsed time changes; see `Rules.clock`. */
  timing: "none" | "bell" | "state";
}

/** The same state, with something changed of one side. */
export function withSide<P, G>(state: MatchState<P, G>, i: number, change: Partial<Side<G>>): MatchState<P, G> {
  const sides = [...state.sides];
  sides[i] = { ...sides[i]!, ...change };
  return { ...state, sides };
}
/** Whose turn it is within a side. */
export const playerOf = <G>(side: Side<G>) => side.players[side.at % side.players.length]!;
