import type { Floor } from "../kit/floors.ts";
import type { Item, Move } from "../kit/item.ts";
import { GRAVITY, rollingDistance } from "./rolling.ts";
import { slideDistance, slideKeeps } from "./sliding.ts";

/** Speed left in a thing that passes its target, m/s: it was sent to get there, not farther. */
const PASSING = 1.3;
/** Speed over the ground of a thrown thing as it lands, m/s, and the drop it comes down from, metres. */
const LANDING = 3.5;
const DROP = 1;
/** A solid ball that lands sliding rolls off with this share of its speed. */
const ROLLS_OFF = 5 / 7;
/** Share of the speed that softness can take away on landing. */
const SOFT_TAKES = 0.95;
/** Hops lower than this are none, metres. */
const LEAST_HOP = 0.005;
/** From reaching a thing to standing up with it, seconds. */
export const PICK_UP = 1;
/** Up to this drag a thing rolls like a ball. */
const LIKE_A_BALL = 2;

/** Share of the hard-floor reach of a rolled thing, by floor: a ball, and a bundle that rolls badly anywhere. Assumptions. */
const BALL: Record<Floor, number> = { carpet: 0.75, boards: 1, tile: 1, grass: 0.6, paving: 1 };
const BUNDLE: Record<Floor, number> = { carpet: 0.72, boards: 0.82, tile: 0.85, grass: 0.6, paving: 0.75 };

/** Share of the reach of an action that a floor leaves, 0 to 1. In the air the floor takes nothing. */
export function keepsOf(i: Item, floor: Floor, move: Move): number {
  if (move === "air") return 1;
  if (move === "slide" || i.drag === null) return slideKeeps(i.material, floor);
  return (i.drag <= LIKE_A_BALL ? BALL : BUNDLE)[floor];
}

/**
 * How far a thing moves on after landing, metres: its hops, then the roll or slide. Hops: each comes up to rebound^2 of the one
 * before, carried along by what speed is left. `speed` over the ground at landing (m/s), `drop` the height it fell from (m).
 */
export function runAfterLanding(i: Item, floor: Floor, speed = LANDING, drop = DROP): number {
  const along = speed * (1 - SOFT_TAKES * i.softness) * (i.drag === null ? 1 : ROLLS_OFF);
  let hop = drop * i.rebound ** 2;
  let far = 0;
  while (hop > LEAST_HOP) {
    far += along * 2 * Math.sqrt((2 * hop) / GRAVITY);
    hop *= i.rebound ** 2;
  }
  return far + (i.drag === null ? slideDistance(along, i.material, floor) : rollingDistance(along, i.drag, floor));
}

/** How far a thing runs on past a target it missed, metres. Sock ball rolled on carpet: 0.16 m; ball on boards: 2.61 m. */
export function runOnOf(i: Item, floor: Floor, move: Move): number {
  if (move === "air") return runAfterLanding(i, floor);
  if (move === "slide" || i.drag === null) return slideDistance(PASSING, i.material, floor);
  return rollingDistance(PASSING, i.drag, floor);
}

/** Seconds to fetch a thing that was sent `metres` and ran on: there and back at `walking` m/s, and picked up. */
export const fetchSeconds = (metres: number, runOn: number, walking: number): number =>
  (2 * (metres + runOn)) / walking + PICK_UP;

/** Share of an easy slide that this thing keeps on a floor, 0 to 1. */
export const slideKeepsOf = (i: Item, floor: Floor): number => slideKeeps(i.material, floor);
