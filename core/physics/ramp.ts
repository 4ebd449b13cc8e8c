import { GRAVITY, stopsAfter } from "./floor.ts";
import type { Sending } from "./sending.ts";

/** Share of the height that becomes speed: a solid ball keeps 5/7 of it, a hollow one 3/5; the rest is spin. */
const SHARE = { solid: 5 / 7, hollow: 3 / 5 } as const;
/** Let go lower on the board it is slower: down to this share (an assumption). */
const MIN_SHARE = 0.7;
export type Build = keyof typeof SHARE;

/** Speed at the foot of a ramp, m/s: sqrt(2 g h k). `height` of the start above the floor in metres; 0.2 m, solid: 1.67 m/s. */
export const rampSpeed = (height: number, build: Build = "solid"): number =>
  Math.sqrt(2 * GRAVITY * Math.max(0, height) * SHARE[build]);

/** What is sent down a ramp: it leaves as fast as the height says, whoever lets it go. */
export const downRamp = (sending: Sending, height: number): Sending => {
  const speed = rampSpeed(height);
  return { ...sending, least: MIN_SHARE * speed, most: speed, height: 0, loft: 0 };
};

/** Where it stops, metres from the foot, with what slows it (m/s^2): twice as high rolls twice as far. */
export const rampDistance = (height: number, slows: number, build: Build = "solid"): number =>
  stopsAfter(rampSpeed(height, build), slows);

/** Height that makes it stop `metres` from the foot. */
export const rampHeightFor = (metres: number, slows: number, build: Build = "solid"): number =>
  metres / rampDistance(1, slows, build);
