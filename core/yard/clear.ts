import type { Action } from "../actions/actions.ts";
import { type Age, stature } from "../measures/stature.ts";
import { implementOf } from "../physics/release.ts";

/** From shoulder to fingertips, and from hip to toes, as shares of stature: assumptions. */
const ARM = 0.44;
const LEG = 0.52;
/** Nobody stands nearer than this beyond the reach of a swing, metres. */
const BETWEEN = 0.5;

/**
 * The radius that a send with this action sweeps around the player, metres. `held`: the length of the implement; the
 * usual one of the action by default. An eight-year-old's long strike: 1.46 m.
 */
export function swingOf(action: Action, age: Age, held?: number): number {
  const tall = stature(age);
  return action === "kick"
    ? LEG * tall
    : ARM * tall + (sweeps(action) && held !== undefined ? held : implementOf(action));
}
/** How far from the player the others must stay, metres. */
export const awayFrom = (action: Action, age: Age, held?: number): number => swingOf(action, age, held) + BETWEEN;
/** True if something long or hard is swung, so that the whole circle must be free. */
export const sweeps = (action: Action): boolean => implementOf(action) > 0;
