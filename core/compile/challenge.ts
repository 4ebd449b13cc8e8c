import type { Aim } from "../asks/ask.ts";
import { kindOf } from "../chances/loaded-kinds.ts";
import type { Peg } from "../contract/contract.ts";
import { layoutOf, rates, sendingIn, type Who } from "../forecast/for-activity.ts";
import type { Activity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { asksAtMost, pathTo } from "../physics/send.ts";
import type { Sending } from "../physics/sending.ts";
import { ALONG, moveOfAll } from "../targets/list.ts";
import { HEADROOM, HOLDS } from "../yard/fit.ts";
import { freeOf, spread } from "./apart.ts";

/** A hit rate this close to the wanted one is left alone, 0 to 1. */
export const NEAR_ENOUGH = 0.02;
/** A challenge is kept if it is within this, 0 to 1, as in the fitting. */
export const HELD_WITHIN = HOLDS;
/** A peg moves between these shares of where it was, but never beyond the space, the ceiling or the child's reach. */
export const NEAREST = 0.35;
export const FARTHEST = 4;
/** Halvings of the search, which get it under half a centimetre in any home. */
const HALVINGS = 13;
/** Rounds over all pegs. */
const PASSES = 4;
/** Pegs keep at least this far apart in their order, metres. */
const GAP = 0.05;

/** One probe: its chance for a child as wanted and as it came out, and its peg. Metres; rates 0 to 1. */
export interface Held {
  id: string;
  peg: string | null;
  kind: Peg["kind"];
  label: string;
  from: number;
  to: number;
  wanted: number;
  before: number;
  after: number;
}

/** What limits a peg: the space (metres from the line) and the ceiling (metres above the floor). */
export interface Bounds {
  longest?: number;
  ceiling?: number | null;
}

const pegsOf = (activity: Activity) => opened(activity).pegs;
export const distancesOf = (activity: Activity): number[] => pegsOf(activity).map((peg) => peg.distance);

/** Moves pegs to the given distances, as far as their neighbours let them. */
function moveAll(activity: Activity, to: ReadonlyMap<string, number>): Activity {
  let now = activity;
  // Twice, from far to near and back, because a line that was in the way has moved by then.
  const pegs = pegsOf(activity);
  for (const peg of [...pegs].reverse().concat(pegs)) {
    const along = to.get(peg.id);
    if (along !== undefined) now = opened(now).move(peg.id, { along });
  }
  return now;
}

/** The same activity with every peg at `k` times its distance. */
export function scaled(activity: Activity, k: number): Activity {
  return moveAll(activity, new Map(pegsOf(activity).map((peg) => [peg.id, peg.distance * k])));
}

/**
 * Returns the activity with every peg `by` metres farther, or nearer if negative. Targets keep their distances from each other, so they stop
 * as soon as the first of them can go no farther. Lines each move as far as their neighbours let them.
 */
export function shifted(activity: Activity, by: number): Activity {
  const pegs = pegsOf(activity);
  const targets = pegs.filter((peg) => peg.kind === "target").map((peg) => peg.distance);
  const far = targets.length > 0 ? moveOfAll(targets, by, ALONG) : by;
  return moveAll(
    activity,
    new Map(pegs.map((peg) => [peg.id, Math.round((peg.distance + (peg.kind === "target" ? far : by)) * 1000) / 1000])),
  );
}

/**
 * Nothing is sent farther than this, metres. What only just clears the ceiling is taken a little nearer, for sideways
 * distances and rounding.
 */
const FAR = 60;
const CLEAR_OF_IT = 0.98;

/**
 * The farthest that an object may be sent at something under a ceiling, metres. Infinity without a ceiling, 0 if even
 * the nearest send touches it.
 */
function under(sending: Sending, height: number, ceiling: number | null | undefined): number {
  if (sending.travel !== "air" || typeof ceiling !== "number") return Number.POSITIVE_INFINITY;
  const high = (distance: number) => pathTo(sending, distance, height).apex + HEADROOM > ceiling;
  let [lo, hi] = [0.3, FAR];
  if (high(lo)) return 0;
  if (!high(hi)) return Number.POSITIVE_INFINITY;
  for (let i = 0; i < 2 * HALVINGS; i++) {
    const mid = (lo + hi) / 2;
    if (high(mid)) hi = mid;
    else lo = mid;
  }
  return lo * CLEAR_OF_IT;
}

/**
 * How far out each peg may be for this person, metres, by id: as far as half of the sends reach, and as the ceiling
 * allows.
 */
export function asked(activity: Activity, who: Who, ceiling?: number | null): Map<string, number> {
  const sending = sendingIn(activity, who.age);
  const limits = new Map<string, number>();
  if (!sending) return limits;
  const parts = layoutOf(activity);
  for (const { peg, ask } of opened(activity).probes) {
    const met = kindOf<Aim>(ask.aim).meets(ask.aim, parts);
    if (peg === null || !met) continue;
    const height = sending.travel === "air" ? met.height : 0;
    const most = asksAtMost(sending, height);
    const low = met.purpose === "stop" ? most : Math.min(most, under(sending, height, ceiling));
    limits.set(peg, Math.min(low, limits.get(peg) ?? Number.POSITIVE_INFINITY));
  }
  // A peg that nothing is sent at has the limit of the others.
  const rest = Math.min(...limits.values());
  for (const peg of pegsOf(activity)) if (!limits.has(peg.id)) limits.set(peg.id, rest);
  return limits;
}

/**
 * The same activity with nothing beyond this person's reach. What is farther comes in, in its order. Lines across the
 * floor come in together.
 */
export function withinReach(activity: Activity, who: Who, ceiling?: number | null): Activity {
  const limits = asked(activity, who, ceiling);
  const pegs = [...pegsOf(activity)].sort((x, y) => x.distance - y.distance);
  const over = pegs.filter((peg) => peg.distance > (limits.get(peg.id) ?? Number.POSITIVE_INFINITY) + 1e-9);
  if (over.length === 0) return activity;
  if (opened(activity).pattern.ground.moves === "together" || pegs.every((peg) => peg.kind === "line")) {
    const k = Math.min(...over.map((peg) => limits.get(peg.id)! / peg.distance));
    return scaled(activity, Math.floor(k * 1000) / 1000);
  }
  const to = new Map<string, number>();
  let beyond = Number.POSITIVE_INFINITY;
  for (const peg of [...pegs].reverse()) {
    const at = Math.min(peg.distance, limits.get(peg.id)!, beyond - GAP);
    if (at < peg.distance) to.set(peg.id, Math.floor(at * 100) / 100);
    beyond = at;
  }
  return moveAll(activity, to);
}

/**
 * What is worked out from a design for a person is the same for every home, because documents never change in place.
 */
const known = new WeakMap<Activity, Map<string, ReadonlyMap<string, number>>>();
/**
 * The chances that a design means for a person, probe by probe: as designed or, where it asks more than they can do,
 * at the edge of their reach.
 */
export function wantedRates(activity: Activity, who: Who): ReadonlyMap<string, number> {
  const of = known.get(activity) ?? new Map<string, ReadonlyMap<string, number>>();
  known.set(activity, of);
  const key = `${who.age} ${who.multiplier} ${who.skill}`;
  const found = of.get(key) ?? rates(withinReach(activity, who), who);
  of.set(key, found);
  return found;
}

/** The same activity with nothing beyond this person's reach, and nothing overlapping. */
export function standing(
  activity: Activity,
  who: Who,
  { longest = Number.POSITIVE_INFINITY, ceiling }: Bounds,
): Activity {
  const near = withinReach(activity, who, ceiling);
  return spread(near, Math.min(longest, ...asked(near, who, ceiling).values()));
}

/** Where a falling function crosses zero between two ends. The nearer end if it does not. */
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

/** Lines across the floor get one factor together, by the mean of their rates. */
function together(now: Activity, off: (activity: Activity) => number[], longest: number): Activity {
  const mean = (k: number) => {
    const all = off(scaled(now, k));
    return all.reduce((sum, d) => sum + d, 0) / Math.max(1, all.length);
  };
  if (Math.abs(mean(1)) <= NEAR_ENOUGH) return now;
  const farthest = Math.max(...distancesOf(now));
  return scaled(now, crossing(mean, NEAREST, Math.min(FARTHEST, longest / farthest)));
}

/**
 * Targets and throwing lines move one by one, each to where its own rate is the wanted one, over and over, because a
 * nearer one takes hits from those behind. Their order stays, and none comes to overlap another.
 */
function oneByOne(
  now: Activity,
  wanted: ReadonlyMap<string, number>,
  who: Who,
  most: ReadonlyMap<string, number>,
): Activity {
  const begin = new Map(pegsOf(now).map((peg) => [peg.id, peg.distance]));
  const ids = [...begin].sort((a, b) => a[1] - b[1]).map(([id]) => id);
  let activity = now;
  for (let pass = 0; pass < PASSES; pass++) {
    const order = pass % 2 === 0 ? [...ids].reverse() : ids;
    for (const id of order) {
      const probe = opened(activity).probes.find((eachProbe) => eachProbe.peg === id);
      const want = probe && wanted.get(probe.id);
      if (probe === undefined || want === undefined) continue;
      const at = (along: number) => opened(activity).move(id, { along });
      const rate = (givenActivity: Activity) => rates(givenActivity, who, layoutOf(givenActivity), id).get(probe.id)!;
      if (Math.abs(rate(activity) - want) <= NEAR_ENOUGH / 2) continue;
      const is = new Map(pegsOf(activity).map((peg) => [peg.id, peg.distance]));
      const count = ids.indexOf(id);
      const was = begin.get(id)!;
      const low = Math.max(was * NEAREST, count > 0 ? is.get(ids[count - 1]!)! + GAP : 0);
      const high = Math.min(
        was * FARTHEST,
        most.get(id) ?? Number.POSITIVE_INFINITY,
        count < ids.length - 1 ? is.get(ids[count + 1]!)! - GAP : Number.POSITIVE_INFINITY,
      );
      if (high <= low) continue;
      const there = freeOf(activity, id, {
        wanted: crossing((metres) => rate(at(metres)) - want, low, high),
        low,
        high,
      });
      if (there !== null) activity = at(there);
    }
  }
  return activity;
}

/**
 * Keeps the challenge: moves the pegs of `now` so that this person's hit rate at each is what it was in `was`, within
 * `NEAR_ENOUGH` if distance alone can do it. What `was` asks beyond this person's reach counts as asked at its edge.
 * Targets and throwing lines move one by one, lines across the floor together. Items that overlap are moved apart
 * first.
 */
export function holdChallenge(
  was: Activity,
  now: Activity,
  who: Who,
  { longest = Number.POSITIVE_INFINITY, ceiling }: Bounds = {},
): { activity: Activity; held: Held[] } {
  const wanted = wantedRates(was, who);
  const from = new Map(pegsOf(was).map((peg) => [peg.id, peg.distance]));
  const limits = asked(now, who, ceiling);
  const most = new Map([...limits].map(([id, metres]) => [id, Math.min(metres, longest)]));
  const edge = Math.min(longest, ...limits.values());
  const begin = standing(now, who, { longest, ceiling });
  const before = rates(now, who);
  const probes = opened(begin).probes.filter((probe) => wanted.has(probe.id) && before.has(probe.id));
  const off = (of: ReadonlyMap<string, number>) => probes.map((probe) => of.get(probe.id)! - wanted.get(probe.id)!);
  let activity = begin;
  if (pegsOf(begin).length > 0 && off(rates(begin, who)).some((d) => Math.abs(d) > NEAR_ENOUGH)) {
    const moved =
      opened(begin).pattern.ground.moves === "together"
        ? together(begin, (givenActivity) => off(rates(givenActivity, who)), edge)
        : oneByOne(begin, wanted, who, most);
    const worst = (givenActivity: Activity) => Math.max(...off(rates(givenActivity, who)).map(Math.abs));
    if (worst(moved) < worst(begin)) activity = moved;
  }
  const after = rates(activity, who);
  const pegs = new Map(pegsOf(activity).map((peg) => [peg.id, peg]));
  return {
    activity,
    held: probes.map((probe) => {
      const peg = probe.peg === null ? undefined : pegs.get(probe.peg);
      const at = peg?.distance ?? 0;
      return {
        id: probe.id,
        peg: probe.peg,
        kind: peg?.kind ?? "line",
        label: peg?.label ?? "",
        from: from.get(probe.peg ?? "") ?? at,
        to: at,
        wanted: wanted.get(probe.id)!,
        before: before.get(probe.id)!,
        after: after.get(probe.id)!,
      };
    }),
  };
}
