import { type Action, isSend, type Send } from "../actions/actions.ts";
import { type Age, stature } from "../measures/stature.ts";

/** The posture of the player, the hand, and the length of an implement, each with its default. */
export const POSTURES = ["standing", "kneeling", "sitting"] as const;
export type Posture = (typeof POSTURES)[number];
export const HANDS = ["preferred", "other"] as const;
export type Hand = (typeof HANDS)[number];
export interface How {
  /** `standing` unless given. */
  posture?: Posture;
  /** `preferred` unless given. */
  hand?: Hand;
  /** The length of the implement, metres. The usual one of the action unless given. */
  implement?: number;
}

/**
 * The speed of an overarm throw at full effort, m/s, by age in years, both sexes pooled. 5.5 to 12.5: Halverson,
 * Roberton and Langendorfer (1982); 4, 15 and 18 continue the line (assumptions). Constant beyond both ends.
 */
const OVERARM: readonly (readonly [age: number, speed: number])[] = [
  [4, 8.4],
  [5.5, 10.4],
  [6.5, 11.3],
  [7.5, 13],
  [12.5, 20.4],
  [15, 22.5],
  [18, 24],
];
/** An aimed send keeps this share of the speed at full effort: an assumption. */
export const AIMED = 0.75;

/**
 * How one action releases the object, relative to an overarm throw of the same child. Every number is an assumption.
 */
interface Letting {
  /** The speed relative to an overarm throw. */
  speed: number;
  /** The slowest speed that is still steady, as a share of the greatest one when aimed. */
  steady: number;
  /** The height of release as a share of stature, and the angle, radians; 0: along the floor. */
  height: number;
  loft: number;
  /**
   * The mass that moves along with the object, kilograms, at the stature of a child of 8. A light arm loses more
   * speed to a heavy object.
   */
  limb: number;
  /** The usual length of the implement, metres. */
  implement?: number;
}
const degrees = (angle: number) => (angle * Math.PI) / 180;
const TABLE: Record<Send, Letting> = {
  underarmRoll: { speed: 0.65, steady: 0.12, height: 0.1, loft: 0, limb: 0.6 },
  slide: { speed: 0.45, steady: 0.15, height: 0.05, loft: 0, limb: 0.8 },
  underarmThrow: { speed: 0.7, steady: 0.3, height: 0.5, loft: degrees(40), limb: 0.6 },
  overarmThrow: { speed: 1, steady: 0.3, height: 1.05, loft: degrees(25), limb: 0.6 },
  straightArmBowl: { speed: 0.85, steady: 0.4, height: 1.15, loft: degrees(20), limb: 0.6 },
  pushThrow: { speed: 0.5, steady: 0.35, height: 0.75, loft: degrees(45), limb: 1.2 },
  kick: { speed: 0.7, steady: 0.15, height: 0, loft: 0, limb: 2 },
  shortStrike: { speed: 0.7, steady: 0.3, height: 0.6, loft: degrees(30), limb: 0.6, implement: 0.45 },
  longStrike: { speed: 0.6, steady: 0.12, height: 0, loft: 0, limb: 1.2, implement: 0.9 },
  twoHandStrike: { speed: 0.85, steady: 0.35, height: 0.55, loft: degrees(25), limb: 1.2, implement: 0.8 },
  handStrike: { speed: 0.55, steady: 0.3, height: 0.6, loft: degrees(35), limb: 0.6 },
  forehand: { speed: 0.7, steady: 0.3, height: 0.55, loft: degrees(25), limb: 0.6, implement: 0.45 },
  backhand: { speed: 0.6, steady: 0.3, height: 0.55, loft: degrees(25), limb: 0.6, implement: 0.45 },
};
/** The mass of the balls in the reported throws, kilograms. Lighter objects leave the hand no faster. */
const BALL = 0.06;
const AT_EIGHT = stature(8);
/** Speed and height of release relative to standing, and the speed with the other hand: assumptions. */
const POSTURE: Record<Posture, { speed: number; height: number }> = {
  standing: { speed: 1, height: 1 },
  kneeling: { speed: 0.8, height: 0.7 },
  sitting: { speed: 0.7, height: 0.6 },
};
const HAND: Record<Hand, number> = { preferred: 1, other: 0.7 };
/** How many times as large the spread is with the other hand, kneeling or sitting: assumptions. */
const WIDER_POSTURE: Record<Posture, number> = { standing: 1, kneeling: 1.1, sitting: 1.15 };
const WIDER_HAND: Record<Hand, number> = { preferred: 1, other: 1.6 };
/** The factor on the spread, compared with the usual hand and standing. */
export const awkward = ({ posture = "standing", hand = "preferred" }: Pick<How, "posture" | "hand">): number =>
  WIDER_POSTURE[posture] * WIDER_HAND[hand];

/** The speed of an overarm throw at full effort, m/s, linear between the rows of the table. 7 years: 12.15. */
export function overarmSpeed(age: Age): number {
  const years = age === "adult" ? 18 : age;
  let [a0, v0] = OVERARM[0]!;
  if (years <= a0) return v0;
  for (const [a1, v1] of OVERARM) {
    if (years <= a1) return a1 === a0 ? v1 : v0 + ((v1 - v0) * (years - a0)) / (a1 - a0);
    [a0, v0] = [a1, v1];
  }
  return v0;
}

/**
 * How an object is released: speeds in m/s (least steady, most when aimed), metres above the floor, radians above
 * level.
 */
export interface Release {
  least: number;
  most: number;
  height: number;
  loft: number;
}
/**
 * The range of speeds at which a person of that age sends an object of `mass` kilograms with an action. A heavier
 * object is slower by the root of the combined mass of arm and object. A longer implement moves its end faster, in
 * proportion to the usual length. A child of 8 rolls a sock ball at 0.80 to 6.65 m/s.
 */
export function releaseOf(action: Action, age: Age, mass: number, how: How = {}): Release {
  if (!isSend(action)) throw new RangeError(`nothing is thrown, rolled or kicked in ${action}`);
  const row = TABLE[action];
  const posture = POSTURE[how.posture ?? "standing"];
  const limb = row.limb * (stature(age) / AT_EIGHT) ** 3;
  const heavy = Math.min(1, Math.sqrt((limb + BALL) / (limb + mass)));
  const swung = row.implement && how.implement ? Math.sqrt(how.implement / row.implement) : 1;
  const most = overarmSpeed(age) * AIMED * row.speed * heavy * posture.speed * HAND[how.hand ?? "preferred"] * swung;
  return { least: row.steady * most, most, height: row.height * stature(age) * posture.height, loft: row.loft };
}
/** The usual length of an action's implement, metres. 0 without one. */
export const implementOf = (action: Action): number => (isSend(action) ? (TABLE[action].implement ?? 0) : 0);
