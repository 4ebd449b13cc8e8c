import type { Item } from "../things/item.ts";

/** Density of air (kg/m^3), drag coefficient of a rough thing, and how much of its box a thing fills as it flies: assumptions but the first. */
const DENSITY = 1.2;
const DRAG = 0.5;
const FILLS = 0.785;

/**
 * The way over which the air takes a share 1 - 1/e of a thing's speed, metres: 2 m / (rho c A). A sock ball 45 m, a paper ball 17 m, a balloon
 * 0.23 m: that one stays within arm's reach.
 */
export const dragLength = (item: Item): number => (2 * item.mass) / (DENSITY * DRAG * FILLS * item.width * item.height);

/** A way through the air as it would be without any, in which flights are parabolas; the air takes speed along the way only (assumption). */
export const throughAir = (metres: number, length: number): number =>
  length === Number.POSITIVE_INFINITY ? metres : length * Math.expm1(metres / length);
/** The other way round. */
export const farOf = (without: number, length: number): number =>
  length === Number.POSITIVE_INFINITY ? without : length * Math.log1p(without / length);
