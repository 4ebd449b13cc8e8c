import { GRAVITY, stopsAfter } from "./floor.ts";
import type { Sending } from "./sending.ts";

/**
 * The share of the height that becomes speed: a solid ball keeps 5/7 of it, a hollow one 3/5. The rest becomes spin.
 */
const SHARE = { solid: 5 / 7, hollow: 3 / 5 } as const;
/** An object let go lower on the board is slower: down to this share (an assumption). */
const MIN_SHARE = 0.7;
export type Build = keyof typeof SHARE;

/**
 * The speed at the foot of a ramp, m/s: sqrt(2 g h k). `height` of the start above the floor in metres; 0.2 m, solid:
 * 1.67 m/s.
 */
export const rampSpeed = (height: number, build: Build = "solid"): number =>
  Math.sqrt(2 * GRAVITY * Math.max(0, height) * SHARE[build]);

/** An object sent down a ramp leaves with the speed that the height gives, whoever lets it go. */
export const downRamp = (sending: Sending, height: number): Sending => {
  const speed = rampSpeed(height);
  return { ...sending, least: MIN_SHARE * speed, most: speed, height: 0, loft: 0 };
};

/**
 * Where it stops, metres from the foot, with this deceleration (m/s^2). From twice the height it rolls twice as far.
 */
export const rampDistance = (height: number, slows: number, build: Build = "solid"): number =>
  stopsAfter(rampSpeed(height, build), slows);

/** The height from which it stops `metres` from the foot. */
export const rampHeightFor = (metres: number, slows: number, build: Build = "solid"): number =>
  metres / rampDistance(1, slows, build);
