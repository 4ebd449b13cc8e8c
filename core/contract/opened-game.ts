import type { AnyPlayPattern, BaseState, Counters, Rules, Setup } from "./contract.ts";
import type { Match } from "./match.ts";

/** Who may leave now, and where another player may join: a side by number, or (null) a side of their own. */
export interface Company {
  leave: readonly number[];
  join: readonly (number | null)[];
}
/**
 * An opened game: a pattern with its parameters and match, under the rules of one version. The referee, the forecast
 * and the screens run it.
 */
export interface Game
  extends Omit<
    Rules<unknown, BaseState>,
    "start" | "clock" | "sidesMeet" | "firstEnds" | "starting" | "counters" | "leave" | "join"
  > {
  name: string;
  params: unknown;
  match: Match;
  pattern: AnyPlayPattern;
  start(setup: Setup): BaseState;
  clock(setup: Setup): "none" | "bell" | "state";
  sidesMeet(setup: Setup): boolean;
  firstEnds(setup: Setup): boolean;
  counters(setup: Setup): Counters<BaseState> | null;
  /** The same match with another side starting. */
  starting(setup: Setup, side: number): Setup;
  /** Who may leave now, and where somebody may join. */
  company(state: BaseState): Company;
}
