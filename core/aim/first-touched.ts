import { jointChances } from "./joint.ts";
import { within } from "./normal.ts";

/** An upright target seen from the throwing spot. Metres. */
export interface Upright {
  id: string;
  distance: number;
  across: number;
  width: number;
  /**
   * If given, the target has a face in the air and stands on the ground. A send on the ground meets it whatever its
   * height.
   */
  height?: number;
}

/** The chance of each target to be touched first, and of touching none. Adds up to 1. */
export interface Touched {
  byTarget: Record<string, number>;
  none: number;
}

/**
 * The first target touched by a straight send: the joint model (joint.ts) with touching alone. `reach` is the chance
 * to get as far as a distance in metres; `sd.lateral` and `sd.vertical` are the SDs of the two angles, which are the
 * spread itself.
 */
export function firstTouched(
  targets: readonly Upright[],
  aim: { across: number; distance: number; up?: number },
  b: number,
  sd: { lateral: number; vertical: number },
  options: { inAir?: boolean; reach?: (distance: number) => number } = {},
): Touched {
  const things = targets.map((target) => ({
    ...target,
    height: target.height ?? 0,
    rule: { kind: "touch", width: target.width } as const,
  }));
  const chances = jointChances(things, {
    aim: { ...aim, up: aim.up ?? 0 },
    spread: { ...sd, range: 0 },
    object: { diameter: b },
    inAir: options.inAir ?? false,
    ...(options.reach && { reach: options.reach }),
  });
  const byTarget = Object.fromEntries(chances);
  return { byTarget, none: Math.max(0, 1 - Object.values(byTarget).reduce((sum, p) => sum + p, 0)) };
}

/**
 * What a straight send meets, however far it gets: for each interval of the angle, the items whose strip it sweeps
 * (their width and half the object on either side), in the order given, and its chance. Metres; `lateral` is the SD
 * of the angle. Intervals that meet nothing are included, so that all chances add up to 1.
 */
export function* sweep<T extends Pick<Upright, "distance" | "across" | "width">>(
  things: readonly T[],
  aim: { across: number; distance: number },
  b: number,
  lateral: number,
): Generator<{ p: number; swept: T[] }> {
  const aimed = aim.across / aim.distance;
  const strips = things.map((thing) => ({
    t: thing,
    lo: (thing.across - thing.width / 2 - b / 2) / thing.distance,
    hi: (thing.across + thing.width / 2 + b / 2) / thing.distance,
  }));
  const cuts = [...new Set(strips.flatMap((strip) => [strip.lo, strip.hi]))].sort((x, y) => x - y);
  const edges = [Number.NEGATIVE_INFINITY, ...cuts, Number.POSITIVE_INFINITY];
  for (let i = 1; i < edges.length; i++) {
    const [lo, hi] = [edges[i - 1]!, edges[i]!];
    const chance = within(lo - aimed, hi - aimed, lateral);
    if (chance <= 0) continue;
    const middle = lo === edges[0] ? hi - 1 : hi === Number.POSITIVE_INFINITY ? lo + 1 : (lo + hi) / 2;
    yield {
      p: chance,
      swept: strips.filter((strip) => strip.lo < middle && middle < strip.hi).map((strip) => strip.t),
    };
  }
}
