import type { AskKind } from "../asks/ask.ts";
import type { Policy } from "../chances/kind.ts";
import type { Distribution } from "./distribution.ts";

/** Where the rules leave a choice: the best over the whole go, or of the next send alone; or, against others, what wins, else what blocks, else anything. */
export type Choice = "bestOverall" | "mostPoints" | "winsThenBlocks";

export interface SideForecast {
  players: readonly number[];
  sends: Distribution;
  points: Distribution;
  stage: Distribution;
  /** Chance to reach the top, the total or the end; over all plays, those cut off included. */
  finish: number;
  /** Chance to win, a tie shared, over all plays; null where nobody wins. */
  win: number | null;
}

export interface Forecast {
  method: "exact" | "sampled";
  policy: Policy;
  /** How it chooses where the rules leave a choice; null where they leave none. */
  choice: Choice | null;
  /** What may happen and is left out, since nobody knows how likely it is. */
  leftOut: AskKind[];
  /** Largest standard error of any chance; 0 when exact. */
  standardError: number;
  /** States met, or games sampled. */
  size: number;
  /** What ended the sampling: enough games for the standard error that was meant, or the budget of steps; `end` when exact. */
  stoppedBy: "end" | "standardError" | "budget";
  /** Chance of games cut off before their end: an outcome of its own. Every distribution sums to what is left of 1. */
  cut: number;
  sides: SideForecast[];
  /** Chance that the win is shared; null where nobody wins. */
  tie: number | null;
  /** Chances to win of every side, by the side that starts; null where that makes no difference, or was said. */
  starts: readonly (readonly number[])[] | null;
  rounds: Distribution;
  /** Tenths of a second. */
  time: Distribution;
  /** Shares of one player's time, summing to 1. */
  share: { acting: number; fetching: number; waiting: number };
}
