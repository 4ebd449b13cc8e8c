import type { Item } from "../items/item.ts";

/**
 * The density of air (kg/m^3), the drag coefficient of a rough object, and the share of its box that an object fills
 * in flight. All but the first are assumptions.
 */
const DENSITY = 1.2;
const DRAG = 0.5;
const FILLS = 0.785;

/**
 * The distance over which the air takes a share 1 - 1/e of an object's speed, metres: 2 m / (rho c A). A sock ball 45
 * m, a paper ball 17 m, a balloon 0.23 m, so it stays within arm's reach.
 */
export const dragLength = (item: Item): number => (2 * item.mass) / (DENSITY * DRAG * FILLS * item.width * item.height);

/**
 * The distance in vacuum, where flights are parabolas, that corresponds to a distance through air. The air slows only
 * the motion along the way (assumption).
 */
export const throughAir = (metres: number, length: number): number =>
  length === Number.POSITIVE_INFINITY ? metres : length * Math.expm1(metres / length);
/** The inverse. */
export const farOf = (without: number, length: number): number =>
  length === Number.POSITIVE_INFINITY ? without : length * Math.log1p(without / length);
