import type { Support } from "../compile/support.ts";
import type { Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import {
  AS_DRAWN,
  CORRIDOR,
  everyLevel,
  type LevelKnob,
  type Levels,
  proposeLevels,
  rateWith,
  shareOf,
  spaced,
} from "./levels.ts";

/** A child, what it plays now (its place among the levels; null: as drawn), and how its last goes went: hits and sends each, the latest first. */
export interface Played {
  who: Who;
  /** What it needs in every activity that has a use for it. */
  supports?: readonly Support[];
  level: number | null;
  /** It has played, if only with others: such goes say nothing of how it does alone. */
  came?: boolean;
  goes: readonly { hits: number; sends: number }[];
}
export const MOVES = ["up", "down", "stay", "none"] as const;
export interface Proposal {
  move: (typeof MOVES)[number];
  /** The level proposed, from 0, and its share of hits for this child; what it has now. */
  level: number;
  rate: number | null;
  now: number | null;
  /** Three goes in a row under the corridor, or over it; or none at all. */
  notice: "stuck" | "bored" | "absent" | null;
}
/** So many goes in a row say something. */
const IN_A_ROW = 3;
/** What a level promises must be so much nearer to the middle of the corridor before a child is moved: a number about to change is left alone. */
const WORTH_IT = 0.02;

function noticeOf(
  { goes, came }: Pick<Played, "goes" | "came">,
  { low, high }: { low: number; high: number },
): Proposal["notice"] {
  if (goes.length === 0) return came ? null : "absent";
  const last = goes.slice(0, IN_A_ROW).filter((go) => go.sends > 0);
  if (last.length < IN_A_ROW) return null;
  const shares = last.map((g) => g.hits / g.sends);
  return shares.every((share) => share < low) ? "stuck" : shares.every((share) => share > high) ? "bored" : null;
}

/** The levels of next week: those of the activity, or some proposed for the typical child where it has none. */
export function levelsNext(
  activity: Activity,
  middle: Who,
  more: { knobs?: readonly LevelKnob[]; things?: readonly string[]; targets?: readonly string[] } = {},
): Levels {
  if (activity.levels) return activity.levels;
  const made = proposeLevels(activity, middle, more).map((proposeLevel) => proposeLevel.setting);
  // Where nothing differs it is said: there is one level, twice.
  const list = made.length > 1 ? made : [...made, ...made, AS_DRAWN].slice(0, 2);
  return { ...CORRIDOR, list, up: 2, down: 1 };
}

/**
 * The level whose share of hits is nearest to the middle of the corridor. Where all are beyond the corridor on one side, levels that differ by less
 * than WORTH_IT count as alike: whoever hits more gets the hardest of them, whoever hits less the easiest.
 */
function bestLevel(rates: readonly number[], middle: number, { low, high }: { low: number; high: number }): number {
  const off = (r: number) => Math.abs(r - middle);
  const nearest = rates.reduce((b, r, i) => (off(r) < off(rates[b]!) - 1e-9 ? i : b), 0);
  const alike = rates.flatMap((rate, i) => (off(rate) <= off(rates[nearest]!) + WORTH_IT ? [i] : []));
  if (rates.every((rate) => rate > high)) return alike[alike.length - 1]!;
  if (rates.every((rate) => rate < low)) return alike[0]!;
  return nearest;
}

/**
 * For every child the level that brings it nearest to the middle of the corridor, in the activity with its levels: up, down or stay, with the
 * shares before and after. Children alike are looked at once, so that it is linear in how many differ. `none`: nothing in the game has a chance.
 */
export function nextWeek(activity: Activity, levels: Levels, children: readonly Played[]): Proposal[] {
  const played = everyLevel(activity, levels);
  const known = new Map<string, (number | null)[]>();
  const ratesOf = (who: Who, supports: readonly Support[]) => {
    const key = JSON.stringify([who, supports]);
    let rates = known.get(key);
    if (!rates) {
      rates = [{ activity: activity, self: null }, ...played].map((onLevel) =>
        rateWith(onLevel.activity, who, { self: onLevel.self, supports, share: shareOf(levels) }),
      );
      known.set(key, rates);
    }
    return rates;
  };
  const middle = spaced(levels, 3)[1]!;
  return children.map(({ who, supports = [], level, goes, came }): Proposal => {
    const [drawn, ...rates] = ratesOf(who, supports);
    const now = level === null ? drawn! : (rates[level] ?? drawn!);
    const notice = noticeOf({ goes, came }, levels);
    if (rates.some((eachRate) => eachRate === null) || now === null)
      return { move: "none", level: level ?? 0, rate: null, now: null, notice };
    const off = (r: number | null) => Math.abs(r! - middle);
    const best = bestLevel(rates as number[], middle, levels);
    const stays = level !== null && off(now) <= off(rates[best]!) + WORTH_IT;
    const to = stays ? level : best;
    const rate = rates[to]!;
    const move =
      level === null
        ? Math.abs(rate - now) < WORTH_IT
          ? "stay"
          : rate > now
            ? "down"
            : "up"
        : to > level
          ? "up"
          : to < level
            ? "down"
            : "stay";
    return { move, level: to, rate, now, notice };
  });
}
