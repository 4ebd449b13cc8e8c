/** The restitution between a soft household item and a bottle: an assumption; see docs/model.md. */
const BOUNCE = 0.3;
const GRAVITY = 9.81;
/** The mass and speed used if none are given: a sock bundle (kg) rolled briskly (m/s). */
const MASS = 0.06;
const SPEED = 3;
/** The blow lands at most this high, as a share of the target's height. */
const HIGHEST_BLOW = 0.5;

/** A standing item: size in metres, masses in kilograms, `filling` 0 to 1 of `contents`. */
export interface Standing {
  width: number;
  height: number;
  mass: number;
  contents?: number;
  filling?: number;
}

/**
 * What hits an item: width in metres, mass in kilograms, speed over the ground in m/s, and the height of the blow,
 * metres.
 */
export interface Blow {
  diameter: number;
  mass?: number;
  speed?: number;
  /** Low on the target, as from an object on the floor, unless given. */
  at?: number;
}

/**
 * True if a blow knocks a standing item over: the swing about its far bottom edge must lift its centre of mass over
 * that edge. The contents lie at the bottom. A plain rigid-body model, an assumption that docs/model.md works out.
 */
export function topples(target: Standing, object: Blow): boolean {
  const metres = object.mass ?? MASS;
  const value = object.speed ?? SPEED;
  const full = target.filling ?? 0;
  const inside = (target.contents ?? 0) * full;
  const total = target.mass + inside;
  const level = (target.height * full) / 2;
  const centre = (target.mass * (target.height / 2) + inside * level) / total;
  const half = target.width / 2;
  const blow = object.at ?? Math.min(object.diameter / 2, HIGHEST_BLOW * target.height);
  const swing = (mass: number, height: number, centreOf: number) =>
    (mass * (target.width ** 2 + height ** 2)) / 12 + mass * (half ** 2 + centreOf ** 2);
  const inertia =
    swing(target.mass, target.height, target.height / 2) +
    (inside > 0 ? swing(inside, target.height * full, level) : 0);
  const turn = ((1 + BOUNCE) * metres * value * blow) / (inertia + metres * blow * blow);
  const lift = Math.hypot(half, centre) - centre;
  return 0.5 * inertia * turn * turn >= total * GRAVITY * lift;
}
