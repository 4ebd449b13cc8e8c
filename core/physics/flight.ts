import type { Action } from "../aim/actions.ts";
import { type Age, stature } from "../measures/stature.ts";
import { GRAVITY } from "./rolling.ts";

/** How steeply each action sends, radians above level: assumptions, and what is rolled or slid stays down. */
const LOFT: Record<Action, number> = {
  underarmRoll: 0,
  slide: 0,
  underarmThrow: (40 * Math.PI) / 180,
  overarmThrow: (25 * Math.PI) / 180,
  straightArmBowl: (20 * Math.PI) / 180,
  pushThrow: (45 * Math.PI) / 180,
  kick: 0,
  shortStrike: (30 * Math.PI) / 180,
  longStrike: 0,
};
/** How high above the floor a hand lets go, share of stature: assumptions. */
const RELEASE: Record<Action, number> = {
  underarmRoll: 0.1,
  slide: 0.05,
  underarmThrow: 0.5,
  overarmThrow: 1.05,
  straightArmBowl: 1.15,
  pushThrow: 0.75,
  kick: 0,
  shortStrike: 0.6,
  longStrike: 0,
};
/** Where the middle of a target is out of reach at its usual loft, it is sent this much steeper than straight at it, radians. */
const STEEPER = (10 * Math.PI) / 180;
/** Nothing is sent steeper, radians. */
const STEEPEST = (80 * Math.PI) / 180;

/** How an action sends: where it leaves the hand (metres) and how steeply (radians). Null: along the floor. */
export interface Rise {
  from: number;
  loft: number;
}
export function riseOf(action: Action, age: Age): Rise | null {
  return LOFT[action] === 0 ? null : { from: RELEASE[action] * stature(age), loft: LOFT[action] };
}

/** A flight without air: leaves `from` high at `loft`, comes down at `height`, `metres` away. Speeds in m/s. */
export interface Flight {
  loft: number;
  speed: number;
  /** Highest point, metres above the floor, and how far out it is. */
  apex: number;
  apexAt: number;
  /** Height at a distance, metres. */
  at: (metres: number) => number;
}

/**
 * The flight that reaches `height` metres at `metres`: v^2 = g d^2 / (2 cos^2 a (from + d tan a - height)), the top of it v^2 sin^2 a / 2g
 * above the hand (or the hand, where it only falls). From 0.6 m at 40 degrees to the floor 3 m away: 1.11 m high. No air, no spin.
 */
export function flightTo(rise: Rise, metres: number, height: number): Flight {
  const d = Math.max(0.05, metres);
  const straight = Math.atan2(height - rise.from, d);
  const loft = Math.min(STEEPEST, Math.max(rise.loft, straight + STEEPER));
  const drop = Math.max(1e-6, rise.from + d * Math.tan(loft) - height);
  const speed = Math.sqrt((GRAVITY * d * d) / (2 * Math.cos(loft) ** 2 * drop));
  const [u, w] = [speed * Math.cos(loft), speed * Math.sin(loft)];
  const apexAt = Math.min(d, (u * w) / GRAVITY);
  const at = (x: number) => rise.from + x * Math.tan(loft) - (GRAVITY * x * x) / (2 * u * u);
  return { loft, speed, apex: at(apexAt), apexAt, at };
}
