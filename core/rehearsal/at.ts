import type { Place } from "../yard/parts.ts";
import { type Moment, type Rehearsed, STUCK_AFTER } from "./rehearsal.ts";

export const DOING = ["ready", "sends", "fetches", "waits", "done"] as const;
/** A go at one moment: what the child is doing and where, where the object is, and what lies on the floor. */
export interface Seen {
  doing: (typeof DOING)[number];
  /** The index of the moment in progress, or of the last one. */
  index: number;
  child: Place;
  piece: Place | null;
  lying: Place[];
  /** The score so far. Null: nothing has been done yet. */
  value: number | null;
  /** True if many attempts in a row scored nothing. */
  stuck: boolean;
}

/**
 * Values of a go that are computed once: how many attempts in a row scored nothing up to each moment, and where the
 * objects on the floor were last fetched.
 */
export interface Run {
  go: Rehearsed;
  missed: number[];
  since: number[];
}
export function runOf(go: Rehearsed): Run {
  const missed: number[] = [];
  const since: number[] = [];
  let [row, from] = [0, 0];
  for (const [i, moment] of go.moments.entries()) {
    if (moment.off !== null) row = moment.off ? 0 : row + 1;
    missed.push(row);
    since.push(from);
    if (moment.fetches > 0) from = i + 1;
  }
  return { go, missed, since };
}

const between = (place: Place, givenPlace: Place, share: number): Place => ({
  along: place.along + (givenPlace.along - place.along) * share,
  across: place.across + (givenPlace.across - place.across) * share,
});
const HOME: Place = { along: 0, across: 0 };

/** The index of the moment in progress at a time, milliseconds: the last one that has begun. */
export function indexAt(moments: readonly Moment[], ms: number): number {
  let [lo, hi] = [0, moments.length - 1];
  while (lo < hi) {
    const mid = (lo + hi + 1) >> 1;
    if (moments[mid]!.from <= ms) lo = mid;
    else hi = mid - 1;
  }
  return lo;
}

/**
 * A go at a time, milliseconds since it began. Everything follows from its moments; nothing is drawn by chance here.
 */
export function seenAt({ go, missed, since }: Run, ms: number): Seen {
  const { moments } = go;
  if (moments.length === 0)
    return { doing: "done", index: 0, child: HOME, piece: null, lying: [], value: null, stuck: false };
  const i = indexAt(moments, ms);
  const moment = moments[i]!;
  const over = i === moments.length - 1 && ms >= moment.at;
  const value = ms >= moment.at ? moment.value : (moments[i - 1]?.value ?? null);
  const stuck = (over ? missed[i]! : (missed[i - 1] ?? 0)) >= STUCK_AFTER;
  const lying = moments.slice(since[i]!, i).flatMap((eachMoment) => (eachMoment.to ? [eachMoment.to] : []));
  const still = { index: i, child: moment.start, lying, value, stuck };
  if (over) {
    const all = moment.to && moment.fetches === 0 ? [...lying, moment.to] : lying;
    return { ...still, doing: "done", piece: null, lying: moment.fetches > 0 ? [] : all };
  }
  if (!moment.flies || !moment.to)
    return { ...still, doing: moment.fetches > 0 ? "fetches" : moment.off === null ? "waits" : "sends", piece: null };
  const [from, until] = moment.flies;
  if (ms < from) return { ...still, doing: "ready", piece: null };
  if (ms < until)
    return {
      ...still,
      doing: "sends",
      piece: between(moment.start, moment.to, (ms - from) / Math.max(1, until - from)),
    };
  const left = moment.at - moment.fetches;
  if (moment.fetches === 0 || ms < left) return { ...still, doing: "waits", piece: moment.to };
  // There, and back with the object.
  const share = (ms - left) / moment.fetches;
  const child = between(moment.start, moment.to, share < 0.5 ? 2 * share : 2 - 2 * share);
  return { ...still, doing: "fetches", child, piece: share < 0.5 ? moment.to : child };
}

/** The time at which the next event of a go has happened, and the one before: for stepping through it. */
export const nextAfter = (moments: readonly Moment[], ms: number): number =>
  moments.find((moment) => moment.at > ms + 0.5)?.at ?? moments[moments.length - 1]?.at ?? 0;
export const lastBefore = (moments: readonly Moment[], ms: number): number => {
  const before = moments.filter((moment) => moment.at < ms - 0.5);
  return before[before.length - 1]?.at ?? 0;
};
