import { climbs } from "../physics/standing.ts";
import type { SingleRule } from "../rules/hit-rule.ts";

type Into = Extract<SingleRule, { kind: "into" }>;

/** Rim allowance where a rule does not say. */
const RIM_ALLOWANCE = 0.5;

/** Radius (metres) within which the centre of a thing of diameter `b` drops in a round opening; 0 if it cannot. */
export function dropRadius(opening: number, b: number, rimAllowance = RIM_ALLOWANCE): number {
  return b >= opening ? 0 : Math.max(0, opening / 2 - b / 2 + (rimAllowance * b) / 2);
}

/** Where the centre of a thing must be, from the middle of an opening: half extents along its own two sides, metres. */
export interface Inside {
  round: boolean;
  /** Half extents: across (before it is turned), and the other way. */
  x: number;
  y: number;
  /** Radians, from across towards away. */
  turn: number;
}

/**
 * Where the centre of a thing of diameter `b` must be to drop into an opening: a disc, or a rectangle with each side less the thing plus
 * what the rim forgives. Null where it cannot.
 */
export function insideOf(rule: Into, b: number): Inside | null {
  const x = dropRadius(rule.opening, b, rule.rimAllowance);
  const y = dropRadius(rule.depth ?? rule.opening, b, rule.rimAllowance);
  if (x === 0 || y === 0) return null;
  return { round: rule.depth === undefined, x, y, turn: rule.depth === undefined ? 0 : (rule.turn ?? 0) };
}

/** The same of an opening that looks at the player, turned about the upright: what the thing sees of it is narrower. */
export function facingOf(rule: Into, b: number): Inside | null {
  const seen = insideOf({ ...rule, opening: rule.opening * Math.abs(Math.cos(rule.turn ?? 0)) + 1e-12 }, b);
  // A round one keeps its height.
  return seen && { ...seen, turn: 0, y: dropRadius(rule.depth ?? rule.opening, b, rule.rimAllowance) };
}

/**
 * Half the width (metres) through which the centre of something rolled goes into the mouth of what lies there: the mouth as it is seen at
 * its angle, less the thing. Null: it does not go in, the mouth is too low for it, or its lip too high at that speed (m/s; not looked at where nobody knows it).
 */
export function mouthOf(rule: Into, b: number, speed?: number): number | null {
  const seen = rule.opening * Math.abs(Math.cos(rule.turn ?? 0));
  if (seen <= b || (rule.depth ?? rule.opening) <= b) return null;
  if (rule.lip !== undefined && speed !== undefined && !climbs(b, rule.lip, speed)) return null;
  return (seen - b) / 2;
}

/** How far across an opening reaches from its middle. */
export function halfWidth(inside: Inside): number {
  return inside.turn === 0
    ? inside.x
    : inside.x * Math.abs(Math.cos(inside.turn)) + inside.y * Math.abs(Math.sin(inside.turn));
}
/** Where a turned rectangle has corners, across from its middle: what is cut there is smooth in between. */
export function cornersAcross(inside: Inside): number[] {
  if (inside.turn === 0 || inside.round) return [];
  const [c, s] = [inside.x * Math.cos(inside.turn), inside.y * Math.sin(inside.turn)];
  return [c + s, c - s, -c + s, -c - s];
}
/** The span of the other coordinate at `x` across from the middle. */
export function spanAt(inside: Inside, x: number): readonly [number, number] {
  if (inside.round) {
    const height = inside.y * Math.sqrt(Math.max(0, 1 - (x / inside.x) ** 2));
    return [-height, height];
  }
  if (inside.turn === 0) return [-inside.y, inside.y];
  // A point x across and y away lies x c + y s along its first side and -x s + y c along the other.
  const [c, s] = [Math.cos(inside.turn), Math.sin(inside.turn)];
  let [lo, hi] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
  const keep = (slope: number, at: number, half: number) => {
    if (Math.abs(slope) < 1e-12) {
      if (Math.abs(at) > half) [lo, hi] = [0, 0];
      return;
    }
    const [one, other] = [(-half - at) / slope, (half - at) / slope];
    lo = Math.max(lo, Math.min(one, other));
    hi = Math.min(hi, Math.max(one, other));
  };
  keep(s, x * c, inside.x);
  keep(c, -x * s, inside.y);
  return hi > lo ? [lo, hi] : [0, 0];
}
