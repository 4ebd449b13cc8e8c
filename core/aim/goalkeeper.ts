import type { Manner } from "../asks/ask.ts";
import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import { logistic } from "../log-odds.ts";
import type { Age } from "../measures/stature.ts";
import { dragLength } from "../physics/air.ts";
import { GRAVITY } from "../physics/floor.ts";
import { PICK_UP, runAfterLanding } from "../physics/landing.ts";
import { agePrior } from "./priors.ts";

/** Somebody who keeps an object up, touch by touch. Each touch has a chance instead of a spread. Seconds and metres. */
export interface Goalkeeper {
  /** The chance that one more touch succeeds, 0 to 1. */
  p: number;
  /** The time from touch to touch. */
  touch: number;
  /** How far the object has run when it is picked up, and the time until the next first touch after that. */
  lies: number;
  restart: number;
}

/**
 * The log-odds that a touch with the hand keeps a plain ball up, by age. An assumption, like everything below. See
 * docs/model.md.
 */
const BY_AGE: readonly (readonly [age: number, odds: number])[] = [
  [4, 0.1],
  [6, 1],
  [8, 1.8],
  [10, 2.4],
  [12, 2.8],
  [15, 3.2],
  [18, 3.4],
];
/** The height of a touch above the hand, metres, and of the hand above the floor. */
const HIGH = 0.45;
const DROPS = 0.9;
/** What the manner adds to the log-odds. */
const OFFSET = {
  implement: -0.6,
  otherHand: -0.8,
  bothHands: 0.5,
  moving: -0.6,
  bounce: 0.6,
  sitting: -0.3,
  kneeling: -0.2,
} as const;
/** Added for an object that falls at half the speed of a plain ball. */
const SLOW = 1.6;
/** Added for an object e times as wide as a plain ball, and the most that width can add. */
const WIDE = 0.5;
const PLAIN = { width: 0.12, mass: 0.1 };
const WIDEST = 1.5;
/** Heavy objects are hard to keep up: from this many kilograms on, each kilogram adds this. */
const HEAVY = { from: 0.25, each: -4 };
/** The time to get ready for the next first touch after picking the object up, seconds. */
const SETTLE = 1;

/** The log-odds of keeping a plain ball up at an age, linear between the rows of the table. */
export function oddsAt(age: Age): number {
  const years = age === "adult" ? 18 : age;
  let [a0, o0] = BY_AGE[0]!;
  if (years <= a0) return o0;
  for (const [a1, o1] of BY_AGE) {
    if (years <= a1) return a1 === a0 ? o1 : o0 + ((o1 - o0) * (years - a0)) / (a1 - a0);
    [a0, o0] = [a1, o1];
  }
  return o0;
}

/** How fast an object comes down from the height of a touch, m/s. The air slows the fall. */
function fallsAt(item: Item): number {
  const length = dragLength(item);
  return Math.sqrt(GRAVITY * length * (1 - Math.exp((-2 * HIGH) / length)));
}
const FREE = Math.sqrt(2 * GRAVITY * HIGH);

/** What the object adds to the log-odds: slow and wide ones are easier, heavy ones harder. */
export function objectOdds(item: Item): number {
  const wide = Math.max(-WIDEST, Math.min(WIDEST, Math.log(item.width / PLAIN.width)));
  const slow = SLOW * 2 * (1 - Math.min(1, fallsAt(item) / FREE));
  return slow + WIDE * wide + HEAVY.each * Math.max(0, item.mass - HEAVY.from);
}
/** What the manner adds to the log-odds. */
export function mannerOdds(manner: Manner): number {
  let odds = 0;
  if (manner.implement) odds += OFFSET.implement;
  if (manner.hand === "other") odds += OFFSET.otherHand;
  if (manner.hand === "alternate") odds += OFFSET.otherHand / 2;
  if (manner.hand === "both") odds += OFFSET.bothHands;
  if (manner.moving) odds += OFFSET.moving;
  if (manner.bounce) odds += OFFSET.bounce;
  if (manner.posture === "sitting" || manner.posture === "kneeling") odds += OFFSET[manner.posture];
  return odds;
}

/**
 * How somebody of that age keeps an object up on a floor. The log-odds add up the skill of the age (`off` shifts it
 * for one child), the object (slow and wide ones are easier, heavy ones harder) and the manner. Source: core model,
 * "Chances that are not a spread".
 */
export function goalkeeperOf(age: Age, item: Item, floor: Floor, manner: Manner, off = 0): Goalkeeper {
  const falls = fallsAt(item);
  const odds = oddsAt(age) + off + objectOdds(item) + mannerOdds(manner);
  const prior = agePrior(age);
  const up = FREE / GRAVITY;
  return {
    p: logistic(odds),
    touch: up + Math.max(up, (2 * HIGH) / Math.max(0.1, falls)),
    lies: runAfterLanding(item, floor, 1, DROPS),
    restart: (PICK_UP + SETTLE) * prior.tempo,
  };
}
