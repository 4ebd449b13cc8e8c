import { density, within } from "./normal.ts";
import { integrate } from "./quadrature.ts";

/** An upright target seen from the throwing spot. Metres. */
export interface Upright {
  id: string;
  distance: number;
  across: number;
  width: number;
  /** Given: its face in the air, standing on the ground; a send on the ground meets it whatever its height. */
  height?: number;
}

/** Chance of each target to be the first one touched, and of touching none. Sums to 1. */
export interface Touched {
  byTarget: Record<string, number>;
  none: number;
}

interface Arc {
  id: string;
  distance: number;
  lo: number;
  hi: number;
}
type Span = readonly [lo: number, hi: number];

/** Distances closer than this are equal (metres). */
const SAME = 1e-9;
const TAIL = 9;

/**
 * What each target covers in the angle u = sideways / distance, grown by half the thing's diameter `b`. Equals split midway
 * between facing edges. Nearest first.
 */
function arcs(targets: readonly Upright[], b: number): Arc[] {
  const out = targets
    .map((t) => ({
      id: t.id,
      distance: t.distance,
      lo: (t.across - t.width / 2 - b / 2) / t.distance,
      hi: (t.across + t.width / 2 + b / 2) / t.distance,
      across: t.across,
      width: t.width,
    }))
    .sort((a, c) => a.distance - c.distance || a.across - c.across);
  for (let i = 0; i < out.length; i++) {
    for (let j = i + 1; j < out.length; j++) {
      const left = out[i]!;
      const right = out[j]!;
      if (right.distance - left.distance > SAME) break;
      const middle = (left.across + left.width / 2 + right.across - right.width / 2) / 2 / left.distance;
      left.hi = Math.min(left.hi, middle);
      right.lo = Math.max(right.lo, middle);
    }
  }
  return out;
}

/** Parts of `span` that none of `covered` (sorted, disjoint) has. */
function uncovered(span: Span, covered: readonly Span[]): Span[] {
  const free: Span[] = [];
  let at = span[0];
  for (const [lo, hi] of covered) {
    if (hi <= at) continue;
    if (lo >= span[1]) break;
    if (lo > at) free.push([at, lo]);
    at = Math.max(at, hi);
  }
  if (at < span[1]) free.push([at, span[1]]);
  return free;
}

function cover(covered: Span[], more: readonly Span[]): Span[] {
  return [...covered, ...more].sort((a, b) => a[0] - b[0]);
}

/**
 * First target touched by a straight send. On the ground the angle alone decides; in the air the send also has an up-and-down
 * angle and flies level from the aimed height (an assumption). `reach` is the chance to get as far as a distance in metres.
 * `sd.lateral`, `sd.vertical`: SDs of the two angles, which are the spread itself. Source: core model, "Several targets".
 */
export function firstTouched(
  targets: readonly Upright[],
  aim: { across: number; distance: number; up?: number },
  b: number,
  sd: { lateral: number; vertical: number },
  options: { inAir?: boolean; reach?: (distance: number) => number } = {},
): Touched {
  const aimed = aim.across / aim.distance;
  const seen = arcs(targets, b);
  const byTarget: Record<string, number> = {};
  const gets = options.reach ?? (() => 1);
  if (options.inAir) Object.assign(byTarget, inAir(targets, seen, aimed, aim.up ?? 0, b, sd));
  else {
    let covered: Span[] = [];
    for (const arc of seen) {
      const free = uncovered([arc.lo, arc.hi], covered);
      byTarget[arc.id] = free.reduce((p, [lo, hi]) => p + within(lo - aimed, hi - aimed, sd.lateral), 0);
      covered = cover(covered, free);
    }
  }
  let none = 1;
  for (const t of targets) {
    const p = (byTarget[t.id] ?? 0) * gets(t.distance);
    byTarget[t.id] = p;
    none -= p;
  }
  return { byTarget, none: Math.max(0, none) };
}

function inAir(
  targets: readonly Upright[],
  seen: readonly Arc[],
  aimed: number,
  up: number,
  b: number,
  sd: { lateral: number; vertical: number },
): Record<string, number> {
  const heights = new Map<string, Span>(
    targets.map((t) => [t.id, [(-b / 2 - up) / t.distance, ((t.height ?? LOW) + b / 2 - up) / t.distance]]),
  );
  const cuts = [...new Set(seen.flatMap((a) => [a.lo, a.hi]))]
    .filter((u) => Math.abs(u - aimed) < TAIL * sd.lateral)
    .concat(aimed - TAIL * sd.lateral, aimed + TAIL * sd.lateral)
    .sort((a, c) => a - c);
  const byTarget: Record<string, number> = {};
  for (let i = 1; i < cuts.length; i++) {
    const middle = (cuts[i - 1]! + cuts[i]!) / 2;
    const share = integrate((u) => density(u - aimed, sd.lateral), cuts[i - 1]!, cuts[i]!, sd.lateral);
    let covered: Span[] = [];
    for (const arc of seen) {
      if (middle < arc.lo || middle > arc.hi) continue;
      const free = uncovered(heights.get(arc.id)!, covered);
      const p = free.reduce((sum, [lo, hi]) => sum + within(lo, hi, sd.vertical), 0);
      byTarget[arc.id] = (byTarget[arc.id] ?? 0) + p * share;
      covered = cover(covered, free);
    }
  }
  return byTarget;
}
/** Height of a flat thing met in the air, metres. */
const LOW = 0.02;

/**
 * Which pins fall to a straight rolled send: every pin that the swept strip touches, no deflection and no pin on pin (a named
 * assumption). Keys are the fallen ids, sorted and joined by a space; the empty key is none. Sums to 1.
 */
export function fallenSets(
  pins: readonly Upright[],
  aim: { across: number; distance: number },
  b: number,
  lateral: number,
): Map<string, number> {
  const aimed = aim.across / aim.distance;
  const strips = pins.map((t) => ({
    id: t.id,
    lo: (t.across - t.width / 2 - b / 2) / t.distance,
    hi: (t.across + t.width / 2 + b / 2) / t.distance,
  }));
  const cuts = [...new Set(strips.flatMap((s) => [s.lo, s.hi]))].sort((a, c) => a - c);
  const edges = [Number.NEGATIVE_INFINITY, ...cuts, Number.POSITIVE_INFINITY];
  const out = new Map<string, number>();
  for (let i = 1; i < edges.length; i++) {
    const lo = edges[i - 1]!;
    const hi = edges[i]!;
    const middle = lo === Number.NEGATIVE_INFINITY ? hi - 1 : hi === Number.POSITIVE_INFINITY ? lo + 1 : (lo + hi) / 2;
    const key = strips
      .filter((s) => s.lo < middle && middle < s.hi)
      .map((s) => s.id)
      .sort()
      .join(" ");
    out.set(key, (out.get(key) ?? 0) + within(lo - aimed, hi - aimed, lateral));
  }
  return out;
}
