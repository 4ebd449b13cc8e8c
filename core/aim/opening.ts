import { climbs } from "../physics/standing.ts";
import type { SingleRule } from "../rules/hit-rule.ts";

type Into = Extract<SingleRule, { kind: "into" }>;

/** The rim allowance if a rule does not say. */
const RIM_ALLOWANCE = 0.5;

/**
 * The radius (metres) within which the centre of an object of diameter `b` drops into a round opening. 0 if it
 * cannot.
 */
export function dropRadius(opening: number, b: number, rimAllowance = RIM_ALLOWANCE): number {
  return b >= opening ? 0 : Math.max(0, opening / 2 - b / 2 + (rimAllowance * b) / 2);
}

/** Where the centre of an object must be, from the middle of an opening: half extents along its two sides, metres. */
export interface Inside {
  round: boolean;
  /** Half extents: across (before the opening is turned), and in the other direction. */
  x: number;
  y: number;
  /** Radians, from across towards away. */
  turn: number;
}

/**
 * Where the centre of an object of diameter `b` must be to drop into an opening: within a disc, or within a rectangle
 * with each side shortened by the object and lengthened by what the rim forgives. Null if it cannot drop in.
 */
export function insideOf(rule: Into, b: number): Inside | null {
  const x = dropRadius(rule.opening, b, rule.rimAllowance);
  const y = dropRadius(rule.depth ?? rule.opening, b, rule.rimAllowance);
  if (x === 0 || y === 0) return null;
  return { round: rule.depth === undefined, x, y, turn: rule.depth === undefined ? 0 : (rule.turn ?? 0) };
}

/** The same for an opening that faces the player, turned about the vertical. The object sees it narrowed. */
export function facingOf(rule: Into, b: number): Inside | null {
  const seen = insideOf({ ...rule, opening: rule.opening * Math.abs(Math.cos(rule.turn ?? 0)) + 1e-12 }, b);
  // A round opening keeps its height.
  return seen && { ...seen, turn: 0, y: dropRadius(rule.depth ?? rule.opening, b, rule.rimAllowance) };
}

/**
 * Half the width (metres) through which the centre of a rolled object enters the mouth of a lying container: the
 * mouth as seen at its angle, less the object. Null if it cannot enter, because the mouth is too narrow or too low,
 * or its lip too high at that speed (m/s; not checked if the speed is unknown).
 */
export function mouthOf(rule: Into, b: number, speed?: number): number | null {
  const seen = rule.opening * Math.abs(Math.cos(rule.turn ?? 0));
  if (seen <= b || (rule.depth ?? rule.opening) <= b) return null;
  if (rule.lip !== undefined && speed !== undefined && !climbs(b, rule.lip, speed)) return null;
  return (seen - b) / 2;
}

/** How far an opening reaches sideways from its middle. */
export function halfWidth(inside: Inside): number {
  return inside.turn === 0
    ? inside.x
    : inside.x * Math.abs(Math.cos(inside.turn)) + inside.y * Math.abs(Math.sin(inside.turn));
}
/** The sideways positions of a turned rectangle's corners, from its middle. Slices between them are smooth. */
export function cornersAcross(inside: Inside): number[] {
  if (inside.turn === 0 || inside.round) return [];
  const [c, s] = [inside.x * Math.cos(inside.turn), inside.y * Math.sin(inside.turn)];
  return [c + s, c - s, -c + s, -c - s];
}
/** The span of the other coordinate at `x` sideways from the middle. */
export function spanAt(inside: Inside, x: number): readonly [number, number] {
  if (inside.round) {
    const height = inside.y * Math.sqrt(Math.max(0, 1 - (x / inside.x) ** 2));
    return [-height, height];
  }
  if (inside.turn === 0) return [-inside.y, inside.y];
  // A point x sideways and y away lies x c + y s along the first side and -x s + y c along the other.
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
