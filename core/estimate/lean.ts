import type { Action } from "../actions/actions.ts";
import { mainAsks } from "../asks/ask.ts";
import type { Activity } from "../formats/activity.ts";
import type { Play } from "../referee/play.ts";

/** Where an object came to rest relative to its target, metres. Farther, and to the right, are positive. */
export interface Resting {
  along: number;
  across: number;
}
/** What resting places say about a child's own way of missing. */
export interface Lean {
  /** The number of pieces behind it. */
  pieces: number;
  /** The mean of the usual sends relative to their targets, metres, and its standard error. */
  along: { by: number; sure: number };
  across: { by: number; sure: number };
  /** The expected number of pieces that went wild. */
  wild: number;
}

/** Fewer pieces than this say nothing. */
export const MIN_PIECES = 8;
/**
 * A wild send spreads this many times as wide, and 2 of 25 sends are assumed to be wild before anything is seen.
 * Assumptions.
 */
const WILD = { wider: 3, of: 25, are: 2 } as const;
/** Rounds of re-estimation. More would change nothing visible. */
const ROUNDS = 60;
/** No spread is assumed to be smaller, metres, because resting places are pointed at with a finger. */
const MIN_SPREAD = 0.02;

/**
 * Where the child's own pieces came to rest around a jack, in a go after undos and corrections, with the action used.
 */
export function restingOf(activity: Activity, play: Play): { action: Action; at: Resting }[] {
  return play.standing.flatMap(({ event }, i) => {
    if (event.kind !== "send" || event.foot || !event.spot) return [];
    const before = play.standing[i - 1]?.after ?? play.begin;
    if (play.game.turn(before).player !== 0) return [];
    const ask = mainAsks(play.game.asks(before)).find((mainAsk) => mainAsk.kind === "send" && mainAsk.player === 0);
    if (ask?.kind !== "send" || ask.aim.kind !== "near") return [];
    const at = { along: event.spot.along / 1000, across: event.spot.across / 1000 };
    return [{ action: ask.manner.action ?? activity.aim.action, at }];
  });
}

/**
 * Tells a pull to one side from wild sends. Resting places are modelled as usual sends, normal around a mean of their
 * own, and some wild ones around the same mean, three times as wide (re-estimated until stable, with a prior on how
 * many are wild). Null: too few pieces.
 */
export function leanOf(all: readonly Resting[]): Lean | null {
  const count = all.length;
  if (count < MIN_PIECES) return null;
  const median = (of: readonly number[]) => {
    const s = [...of].sort((a, b) => a - b);
    return (s[Math.floor((count - 1) / 2)]! + s[Math.ceil((count - 1) / 2)]!) / 2;
  };
  const axes = ["along", "across"] as const;
  // Starts where most of them lie, whatever the wild ones do: one SD is 1.48 times the median distance from the
  // median.
  const middle = {
    along: median(all.map((resting) => resting.along)),
    across: median(all.map((resting) => resting.across)),
  };
  const sd = { along: 0, across: 0 };
  for (const ax of axes)
    sd[ax] = Math.max(MIN_SPREAD, 1.48 * median(all.map((resting) => Math.abs(resting[ax] - middle[ax]))));
  let share = WILD.are / WILD.of;
  let wild = all.map(() => share);
  for (let round = 0; round < ROUNDS; round++) {
    const density = (resting: Resting, times: number) =>
      axes.reduce((d, ax) => (d * Math.exp(-(((resting[ax] - middle[ax]) / (times * sd[ax])) ** 2) / 2)) / times, 1);
    wild = all.map((resting) => {
      const [wild, usual] = [share * density(resting, WILD.wider), (1 - share) * density(resting, 1)];
      return wild + usual > 0 ? wild / (wild + usual) : 1;
    });
    share = (wild.reduce((sum, y) => sum + y, 0) + WILD.are) / (count + WILD.of);
    for (const ax of axes) {
      // A wild send says a ninth as much about the mean.
      const weights = wild.map((w) => 1 - w + w / WILD.wider ** 2);
      const sum = weights.reduce((eachSum, y) => eachSum + y, 0);
      middle[ax] = all.reduce((eachSum, resting, i) => eachSum + weights[i]! * resting[ax], 0) / sum;
      sd[ax] = Math.max(
        MIN_SPREAD,
        Math.sqrt(
          all.reduce((eachSum, resting, i) => eachSum + weights[i]! * (resting[ax] - middle[ax]) ** 2, 0) /
            Math.max(1, count - 1),
        ),
      );
    }
  }
  const meanOf = (key: (typeof axes)[number]) => ({ by: middle[key], sure: sd[key] / Math.sqrt(count) });
  return { pieces: count, along: meanOf("along"), across: meanOf("across"), wild: wild.reduce((sum, y) => sum + y, 0) };
}
/** True if a pull is beyond chance: two standard errors. */
export const pulls = ({ by, sure }: Lean["along"]): boolean => Math.abs(by) > 2 * sure;
