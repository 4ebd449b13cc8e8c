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

/**
 * A child, the level they play now (from 0; null: as drawn), and the hits and sends of their last goes, newest first.
 */
export interface Played {
  who: Who;
  /** The support they need, in every activity that has a use for it. */
  supports?: readonly Support[];
  level: number | null;
  /** They have played, if only with others. Such goes do not say how they do alone. */
  came?: boolean;
  goes: readonly { hits: number; sends: number }[];
}
export const MOVES = ["up", "down", "stay", "none"] as const;
export interface Proposal {
  move: (typeof MOVES)[number];
  /** The suggested level, from 0, its share of hits for this child, and the level they have now. */
  level: number;
  rate: number | null;
  now: number | null;
  /** Three goes in a row below the corridor or above it, or no go at all. */
  notice: "stuck" | "bored" | "absent" | null;
}
/** This many goes in a row mean something. */
const IN_A_ROW = 3;
/**
 * A level must be nearer to the middle of the corridor by this much before a child is moved. Smaller differences will
 * change again.
 */
const WORTH_IT = 0.02;

/** What the last goes of a child say: three in a row below the corridor or above it, or no go at all. */
export function noticeOf(
  { goes, came }: Pick<Played, "goes" | "came">,
  { low, high }: { low: number; high: number },
): Proposal["notice"] {
  if (goes.length === 0) return came ? null : "absent";
  const last = goes.slice(0, IN_A_ROW).filter((go) => go.sends > 0);
  if (last.length < IN_A_ROW) return null;
  const shares = last.map((g) => g.hits / g.sends);
  return shares.every((share) => share < low) ? "stuck" : shares.every((share) => share > high) ? "bored" : null;
}

/** Next week's levels: those of the activity or, if it has none, some suggested for the typical child. */
export function levelsNext(
  activity: Activity,
  middle: Who,
  more: { knobs?: readonly LevelKnob[]; things?: readonly string[]; targets?: readonly string[] } = {},
): Levels {
  if (activity.levels) return activity.levels;
  const made = proposeLevels(activity, middle, more).map((proposeLevel) => proposeLevel.setting);
  // If nothing differs, the same level stands there twice, and the page says so.
  const list = made.length > 1 ? made : [...made, ...made, AS_DRAWN].slice(0, 2);
  return { ...CORRIDOR, list, up: 2, down: 1 };
}

/**
 * The level whose share of hits is nearest to the middle of the corridor. If all are outside on one side, levels that
 * differ by less than WORTH_IT count as equal: a child who hits more gets the hardest of them, and one who hits less
 * the easiest.
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
 * For every child, the level that comes nearest to the middle of the corridor, in the activity with its levels: up,
 * down or stay, with the shares before and after. Equal children are worked out once, so the cost grows with how many
 * differ. `none`: nothing in the game has a chance.
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
