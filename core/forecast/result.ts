import type { AskKind } from "../asks/ask.ts";
import type { Policy } from "../chances/kind.ts";
import type { Distribution } from "./distribution.ts";

/**
 * How a player chooses where the rules leave a choice: the best over the whole go, or the best for the next send
 * alone; or, against others, whatever wins, otherwise whatever blocks, otherwise anything.
 */
export type Choice = "bestOverall" | "mostPoints" | "winsThenBlocks";

export interface SideForecast {
  players: readonly number[];
  sends: Distribution;
  points: Distribution;
  stage: Distribution;
  /** The chance to reach the top, the total or the end, over all plays, including those cut off. */
  finish: number;
  /** The chance to win, with ties shared, over all plays. Null if nobody wins. */
  win: number | null;
}

export interface Forecast {
  method: "exact" | "sampled";
  policy: Policy;
  /** How players choose where the rules leave a choice. Null if they never do. */
  choice: Choice | null;
  /** What may happen but is left out, because nobody knows how likely it is. */
  leftOut: AskKind[];
  /** The largest standard error of any chance. 0 if exact. */
  standardError: number;
  /** The states met, or the games sampled. */
  size: number;
  /** What ended the sampling: enough games for the intended standard error, or the budget of steps. `end` if exact. */
  stoppedBy: "end" | "standardError" | "budget";
  /**
   * The chance of games that were cut off before their end, as an outcome of its own. Every distribution adds up to
   * what is left of 1.
   */
  cut: number;
  sides: SideForecast[];
  /** The chance of a shared win. Null if nobody wins. */
  tie: number | null;
  /** Every side's chances to win, by the side that starts. Null if that makes no difference, or was given. */
  starts: readonly (readonly number[])[] | null;
  rounds: Distribution;
  /** Tenths of a second. */
  time: Distribution;
  /** Shares of one player's time, which add up to 1. */
  share: { acting: number; fetching: number; waiting: number };
}
