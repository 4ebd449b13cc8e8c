import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import { decelerationOf, GRAVITY, stopsAfter } from "./floor.ts";

/** The share of its speed with which a solid ball that lands sliding rolls off. */
const ROLLS_OFF = 5 / 7;
/** The share of the speed that softness can take away on landing: an assumption. */
const SOFT_TAKES = 0.95;
/** Hops lower than this are ignored, metres. */
const MIN_HOP = 0.005;
/** The time from reaching an object to standing up with it, seconds. */
export const PICK_UP = 1;

/**
 * How far an object moves on after landing, metres: its hops, then the roll or slide. Each hop rises to rebound^2 of
 * the one before and is carried along by the remaining speed. `speed` over the ground at landing (m/s), `drop` the
 * height it fell from (m).
 */
export function runAfterLanding(item: Item, floor: Floor, speed: number, drop: number): number {
  const along = speed * (1 - SOFT_TAKES * item.softness) * (item.drag === null ? 1 : ROLLS_OFF);
  let hop = drop * item.rebound ** 2;
  let far = 0;
  while (hop > MIN_HOP) {
    far += along * 2 * Math.sqrt((2 * hop) / GRAVITY);
    hop *= item.rebound ** 2;
  }
  return far + stopsAfter(along, decelerationOf(item, floor, "ground"));
}

/**
 * Seconds to fetch an object that was sent `metres` and ran on: there and back at `walking` m/s, and the time to pick
 * it up.
 */
export const fetchSeconds = (metres: number, runOn: number, walking: number): number =>
  (2 * (metres + runOn)) / walking + PICK_UP;
