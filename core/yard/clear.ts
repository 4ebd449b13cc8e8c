import type { Action } from "../actions/actions.ts";
import { type Age, stature } from "../measures/stature.ts";
import { implementOf } from "../physics/release.ts";

/** Shoulder to fingertips, and hip to toes, as shares of stature: assumptions. */
const ARM = 0.44;
const LEG = 0.52;
/** Beyond the reach of a swing, nobody stands nearer, metres. */
const BETWEEN = 0.5;

/**
 * How far around somebody a send with that action sweeps, metres. `held`: how long the thing in the hand is; the usual one of the action unless it is
 * said. An eight-year-old's long strike: 1.46 m.
 */
export function swingOf(action: Action, age: Age, held?: number): number {
  const tall = stature(age);
  return action === "kick"
    ? LEG * tall
    : ARM * tall + (sweeps(action) && held !== undefined ? held : implementOf(action));
}
/** How far from the player the others stay, metres. */
export const awayFrom = (action: Action, age: Age, held?: number): number => swingOf(action, age, held) + BETWEEN;
/** Whether the swing must be free of everything: something long or hard goes round. */
export const sweeps = (action: Action): boolean => implementOf(action) > 0;
