import type { Place } from "../yard/parts.ts";
import { type Moment, type Rehearsed, STUCK_AFTER } from "./rehearsal.ts";

export const DOING = ["ready", "sends", "fetches", "waits", "done"] as const;
/** What a go looks like at one moment of it: what the child does and where it is, where the thing is that it sent, what lies about. */
export interface Seen {
  doing: (typeof DOING)[number];
  /** The moment that goes on, or the last one. */
  index: number;
  child: Place;
  piece: Place | null;
  lying: Place[];
  /** The score by then; null: nothing has been done yet. */
  value: number | null;
  /** So many before it brought nothing, one after the other. */
  stuck: boolean;
}

/** What is worked out once for a go: how many in a row have brought nothing up to each moment, and where what lies about was last fetched. */
export interface Run {
  go: Rehearsed;
  missed: number[];
  since: number[];
}
export function runOf(go: Rehearsed): Run {
  const missed: number[] = [];
  const since: number[] = [];
  let [row, from] = [0, 0];
  for (const [i, m] of go.moments.entries()) {
    if (m.off !== null) row = m.off ? 0 : row + 1;
    missed.push(row);
    since.push(from);
    if (m.fetches > 0) from = i + 1;
  }
  return { go, missed, since };
}

const between = (a: Place, b: Place, share: number): Place => ({
  along: a.along + (b.along - a.along) * share,
  across: a.across + (b.across - a.across) * share,
});
const HOME: Place = { along: 0, across: 0 };

/** The moment that goes on at a time, milliseconds: the last one that has begun. */
export function indexAt(moments: readonly Moment[], ms: number): number {
  let [lo, hi] = [0, moments.length - 1];
  while (lo < hi) {
    const mid = (lo + hi + 1) >> 1;
    if (moments[mid]!.from <= ms) lo = mid;
    else hi = mid - 1;
  }
  return lo;
}

/** A go as it looks so many milliseconds after it began. Source: its moments; nothing is drawn by chance here. */
export function seenAt({ go, missed, since }: Run, ms: number): Seen {
  const { moments } = go;
  if (moments.length === 0)
    return { doing: "done", index: 0, child: HOME, piece: null, lying: [], value: null, stuck: false };
  const i = indexAt(moments, ms);
  const m = moments[i]!;
  const over = i === moments.length - 1 && ms >= m.at;
  const value = ms >= m.at ? m.value : (moments[i - 1]?.value ?? null);
  const stuck = (over ? missed[i]! : (missed[i - 1] ?? 0)) >= STUCK_AFTER;
  const lying = moments.slice(since[i]!, i).flatMap((x) => (x.to ? [x.to] : []));
  const still = { index: i, child: m.start, lying, value, stuck };
  if (over) {
    const all = m.to && m.fetches === 0 ? [...lying, m.to] : lying;
    return { ...still, doing: "done", piece: null, lying: m.fetches > 0 ? [] : all };
  }
  if (!m.flies || !m.to)
    return { ...still, doing: m.fetches > 0 ? "fetches" : m.off === null ? "waits" : "sends", piece: null };
  const [from, until] = m.flies;
  if (ms < from) return { ...still, doing: "ready", piece: null };
  if (ms < until)
    return { ...still, doing: "sends", piece: between(m.start, m.to, (ms - from) / Math.max(1, until - from)) };
  const left = m.at - m.fetches;
  if (m.fetches === 0 || ms < left) return { ...still, doing: "waits", piece: m.to };
  // There, and back with it.
  const share = (ms - left) / m.fetches;
  const child = between(m.start, m.to, share < 0.5 ? 2 * share : 2 - 2 * share);
  return { ...still, doing: "fetches", child, piece: share < 0.5 ? m.to : child };
}

/** When the next thing of a go has happened, and when the one before it had: for going through it one by one. */
export const nextAfter = (moments: readonly Moment[], ms: number): number =>
  moments.find((m) => m.at > ms + 0.5)?.at ?? moments[moments.length - 1]?.at ?? 0;
export const lastBefore = (moments: readonly Moment[], ms: number): number => {
  const before = moments.filter((m) => m.at < ms - 0.5);
  return before[before.length - 1]?.at ?? 0;
};
