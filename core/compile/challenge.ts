import { pegRates, sceneOf, type Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import type { Peg } from "../patterns/contract.ts";
import { patternOf } from "../patterns/registry.ts";

/** A hit rate as near as this to the wanted one is left alone, 0 to 1. */
export const NEAR_ENOUGH = 0.02;
/** Challenges are held within this, 0 to 1. */
export const HELD_WITHIN = 0.05;
/** A line moves at most between these shares of where it was. */
const NEAREST = 0.35;
const FARTHEST = 2.2;
/** Halvings of the search: half a centimetre over any home. */
const HALVINGS = 12;
/** Rounds over all pegs. */
const PASSES = 4;
/** Pegs keep their order by so much, metres. */
const GAP = 0.05;

/** One peg, its hit rate for a child as it was wanted and as it came out. Metres; rates 0 to 1. */
export interface Held {
  id: string;
  kind: Peg["kind"];
  label: string;
  from: number;
  to: number;
  wanted: number;
  before: number;
  after: number;
}

const withParams = (a: Activity, params: unknown): Activity =>
  ({ ...a, pattern: { ...a.pattern, params } }) as Activity;

/** Moves pegs to the distances given, each where its neighbours let it. */
function moveAll(a: Activity, to: ReadonlyMap<string, number>): Activity {
  const p = patternOf(a.pattern.name);
  let params: unknown = a.pattern.params;
  // Twice over, from far to near and back: a line that was in the way has moved by then.
  const pegs = p.pegs(params);
  for (const peg of [...pegs].reverse().concat(pegs)) {
    const metres = to.get(peg.id);
    if (metres !== undefined) params = p.movePeg(params, peg.id, metres);
  }
  return withParams(a, params);
}

/** The same activity with every peg at `k` times its distance. */
export function scaled(a: Activity, k: number): Activity {
  const pegs = patternOf(a.pattern.name).pegs(a.pattern.params);
  return moveAll(a, new Map(pegs.map((g) => [g.id, g.distance * k])));
}

/** Where a falling function crosses zero between two ends; the end itself where it does not. */
function crossing(f: (x: number) => number, low: number, high: number): number {
  let [lo, hi] = [low, Math.max(low, high)];
  if (f(hi) >= 0) return hi;
  if (f(lo) <= 0) return lo;
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (lo + hi) / 2;
    if (f(mid) > 0) lo = mid;
    else hi = mid;
  }
  return (lo + hi) / 2;
}

/** Lines across the floor: one factor for all of them, by the mean of their rates. */
function together(now: Activity, pegs: readonly Peg[], off: (a: Activity) => number[], longest: number): Activity {
  const mean = (k: number) => {
    const all = off(scaled(now, k));
    return all.reduce((s, d) => s + d, 0) / Math.max(1, all.length);
  };
  if (Math.abs(mean(1)) <= NEAR_ENOUGH) return now;
  const farthest = Math.max(...pegs.map((g) => g.distance));
  return scaled(now, crossing(mean, NEAREST, Math.min(FARTHEST, Math.max(1, longest / farthest))));
}

/**
 * Targets and throwing lines: each to where its own rate is the wanted one, with the others where they are, over and over, since a
 * nearer one takes from those behind. Their order stays.
 */
function oneByOne(now: Activity, wanted: ReadonlyMap<string, number>, who: Who, longest: number): Activity {
  const p = patternOf(now.pattern.name);
  const begin = new Map(p.pegs(now.pattern.params).map((g) => [g.id, g.distance]));
  const ids = [...begin].sort((a, b) => a[1] - b[1]).map(([id]) => id);
  let a = now;
  for (let pass = 0; pass < PASSES; pass++) {
    const order = pass % 2 === 0 ? [...ids].reverse() : ids;
    for (const id of order) {
      const want = wanted.get(id);
      if (want === undefined) continue;
      const at = (metres: number) => withParams(a, p.movePeg(a.pattern.params, id, metres));
      const rate = (b: Activity) => pegRates(b, who, sceneOf(b), id).get(id)!;
      if (Math.abs(rate(a) - want) <= NEAR_ENOUGH / 2) continue;
      const is = new Map(p.pegs(a.pattern.params).map((g) => [g.id, g.distance]));
      const n = ids.indexOf(id);
      const was = begin.get(id)!;
      const low = Math.max(was * NEAREST, n > 0 ? is.get(ids[n - 1]!)! + GAP : 0);
      const high = Math.min(
        was * FARTHEST,
        Math.max(was, longest),
        n < ids.length - 1 ? is.get(ids[n + 1]!)! - GAP : Number.POSITIVE_INFINITY,
      );
      if (high > low) a = at(crossing((metres) => rate(at(metres)) - want, low, high));
    }
  }
  return a;
}

/**
 * Holds the challenge: moves the pegs of `now` so that this person's hit rate at each is what it was in `was`, within
 * `NEAR_ENOUGH` where distance alone can do it. Targets and throwing lines move one by one; lines across the floor move together. No
 * peg goes beyond `longest` metres (nor farther than it was, where that is more).
 */
export function holdChallenge(
  was: Activity,
  now: Activity,
  who: Who,
  longest = Number.POSITIVE_INFINITY,
): { activity: Activity; held: Held[] } {
  const p = patternOf(now.pattern.name);
  const pegs = p.pegs(now.pattern.params);
  const wanted = pegRates(was, who);
  const before = pegRates(now, who);
  const from = new Map(p.pegs(was.pattern.params).map((g) => [g.id, g.distance]));
  const told = pegs.filter((g) => wanted.has(g.id) && before.has(g.id));
  const off = (rates: ReadonlyMap<string, number>) => told.map((g) => rates.get(g.id)! - wanted.get(g.id)!);
  let activity = now;
  if (off(before).some((d) => Math.abs(d) > NEAR_ENOUGH)) {
    const banded = sceneOf(now).parts.some((x) => x.kind === "zone");
    const moved = banded
      ? together(now, told, (a) => off(pegRates(a, who)), longest)
      : oneByOne(now, wanted, who, longest);
    const worst = (a: Activity) => Math.max(...off(pegRates(a, who)).map(Math.abs));
    if (worst(moved) < worst(now)) activity = moved;
  }
  const after = pegRates(activity, who);
  const at = new Map(p.pegs(activity.pattern.params).map((g) => [g.id, g.distance]));
  return {
    activity,
    held: told.map((g) => ({
      id: g.id,
      kind: g.kind,
      label: g.label,
      from: from.get(g.id) ?? g.distance,
      to: at.get(g.id)!,
      wanted: wanted.get(g.id)!,
      before: before.get(g.id)!,
      after: after.get(g.id)!,
    })),
  };
}
