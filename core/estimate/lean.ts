import type { Action } from "../actions/actions.ts";
import { mainAsks } from "../asks/ask.ts";
import type { Activity } from "../formats/activity.ts";
import type { Play } from "../referee/play.ts";

/** Where a thing came to rest beside what it was meant for, metres: farther, and to the right, are above nought. */
export interface Resting {
  along: number;
  across: number;
}
/** What resting places say of a child's own way of missing. */
export interface Lean {
  /** Pieces that it rests on. */
  pieces: number;
  /** Where the middle of its usual sends lies beside what they were meant for, metres; and how surely: one standard error. */
  along: { by: number; sure: number };
  across: { by: number; sure: number };
  /** How many of the pieces went wild, in the mean. */
  wild: number;
}

/** Fewer pieces than this say nothing of it. */
export const MIN_PIECES = 8;
/** A wild send is spread so many times as wide; of 25 sends 2 are taken to be wild before anything is seen: assumptions. */
const WILD = { wider: 3, of: 25, are: 2 } as const;
/** Rounds of re-estimation; more change nothing that could be seen. */
const ROUNDS = 60;
/** No spread is taken to be less, metres: where a piece rests is told by a finger. */
const MIN_SPREAD = 0.02;

/** Where the child's own pieces came to rest about a jack, in a go as it stands after undo and correction, with the way they were sent. */
export function restingOf(a: Activity, play: Play): { action: Action; at: Resting }[] {
  return play.standing.flatMap(({ event: e }, i) => {
    if (e.kind !== "send" || e.foot || !e.spot) return [];
    const before = play.standing[i - 1]?.after ?? play.begin;
    if (play.game.turn(before).player !== 0) return [];
    const ask = mainAsks(play.game.asks(before)).find((x) => x.kind === "send" && x.player === 0);
    if (ask?.kind !== "send" || ask.aim.kind !== "near") return [];
    const at = { along: e.spot.along / 1000, across: e.spot.across / 1000 };
    return [{ action: ask.manner.action ?? a.aim.action, at }];
  });
}

/**
 * A pull to one side and wild sends, told apart: resting places are taken as usual sends, normal about a middle of their own, and some wild ones about the
 * same middle spread three times as wide (re-estimated in turn until it stands, with a little known before of how many are wild). Null: too few pieces.
 */
export function leanOf(all: readonly Resting[]): Lean | null {
  const n = all.length;
  if (n < MIN_PIECES) return null;
  const median = (of: readonly number[]) => {
    const s = [...of].sort((a, b) => a - b);
    return (s[Math.floor((n - 1) / 2)]! + s[Math.ceil((n - 1) / 2)]!) / 2;
  };
  const axes = ["along", "across"] as const;
  // Begun where most of them lie, whatever the wild ones do: 1.48 times the middle distance from the middle is one SD.
  const middle = { along: median(all.map((p) => p.along)), across: median(all.map((p) => p.across)) };
  const sd = { along: 0, across: 0 };
  for (const k of axes) sd[k] = Math.max(MIN_SPREAD, 1.48 * median(all.map((p) => Math.abs(p[k] - middle[k]))));
  let share = WILD.are / WILD.of;
  let wild = all.map(() => share);
  for (let round = 0; round < ROUNDS; round++) {
    const density = (p: Resting, times: number) =>
      axes.reduce((d, k) => (d * Math.exp(-(((p[k] - middle[k]) / (times * sd[k])) ** 2) / 2)) / times, 1);
    wild = all.map((p) => {
      const [w, u] = [share * density(p, WILD.wider), (1 - share) * density(p, 1)];
      return w + u > 0 ? w / (w + u) : 1;
    });
    share = (wild.reduce((x, y) => x + y, 0) + WILD.are) / (n + WILD.of);
    for (const k of axes) {
      // A wild one says a ninth as much of the middle.
      const weights = wild.map((w) => 1 - w + w / WILD.wider ** 2);
      const sum = weights.reduce((x, y) => x + y, 0);
      middle[k] = all.reduce((m, p, i) => m + weights[i]! * p[k], 0) / sum;
      sd[k] = Math.max(
        MIN_SPREAD,
        Math.sqrt(all.reduce((v, p, i) => v + weights[i]! * (p[k] - middle[k]) ** 2, 0) / Math.max(1, n - 1)),
      );
    }
  }
  const told = (k: (typeof axes)[number]) => ({ by: middle[k], sure: sd[k] / Math.sqrt(n) });
  return { pieces: n, along: told("along"), across: told("across"), wild: wild.reduce((x, y) => x + y, 0) };
}
/** Whether a pull shows beyond chance: two standard errors. */
export const pulls = ({ by, sure }: Lean["along"]): boolean => Math.abs(by) > 2 * sure;
