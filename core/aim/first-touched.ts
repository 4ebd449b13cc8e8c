import { jointChances } from "./joint.ts";
import { within } from "./normal.ts";

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

/**
 * First target touched by a straight send: the law of joint.ts with touching alone. `reach` is the chance to get as far as a distance in
 * metres; `sd.lateral`, `sd.vertical`: SDs of the two angles, which are the spread itself.
 */
export function firstTouched(
  targets: readonly Upright[],
  aim: { across: number; distance: number; up?: number },
  b: number,
  sd: { lateral: number; vertical: number },
  options: { inAir?: boolean; reach?: (distance: number) => number } = {},
): Touched {
  const things = targets.map((t) => ({
    ...t,
    height: t.height ?? 0,
    rule: { kind: "touch", width: t.width } as const,
  }));
  const chances = jointChances(things, {
    aim: { ...aim, up: aim.up ?? 0 },
    spread: { ...sd, range: 0 },
    object: { diameter: b },
    inAir: options.inAir ?? false,
    ...(options.reach && { reach: options.reach }),
  });
  const byTarget = Object.fromEntries(chances);
  return { byTarget, none: Math.max(0, 1 - Object.values(byTarget).reduce((a, p) => a + p, 0)) };
}

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
