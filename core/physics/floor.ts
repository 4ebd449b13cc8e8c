import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import type { Material } from "../items/lists.ts";

export const GRAVITY = 9.81;
/** Rolling resistance of a ball by floor, dimensionless: assumptions, see docs/model.md. */
export const ROLLING: Record<Floor, number> = { carpet: 0.07, boards: 0.033, tile: 0.029, grass: 0.096, paving: 0.031 };

/** Friction of a flat object by its material and the floor, including the effect of tufts and joints: assumptions. */
export const FRICTION: Record<Material, Record<Floor, number>> = {
  fabric: { carpet: 0.65, boards: 0.28, tile: 0.26, grass: 1.3, paving: 0.6 },
  plastic: { carpet: 0.7, boards: 0.22, tile: 0.2, grass: 1.4, paving: 0.45 },
  wood: { carpet: 0.65, boards: 0.24, tile: 0.22, grass: 1.3, paving: 0.45 },
  metal: { carpet: 0.7, boards: 0.22, tile: 0.19, grass: 1.4, paving: 0.42 },
  paper: { carpet: 0.6, boards: 0.26, tile: 0.24, grass: 1.2, paving: 0.5 },
  rubber: { carpet: 0.9, boards: 0.8, tile: 0.8, grass: 1.4, paving: 0.85 },
  ceramic: { carpet: 0.6, boards: 0.22, tile: 0.18, grass: 1.3, paving: 0.45 },
};

/**
 * The deceleration of an object on a floor, m/s^2. A ball rolls: the floor's resistance. A bundle tumbles: its shape
 * adds a resistance that is the same on every floor (`drag` compares it with a ball on boards), but never more than
 * sliding would. An object that does not roll slides. A ball on boards 0.32, a sock ball 2.43 (carpet 2.79), a
 * plastic lid 2.16.
 */
export function decelerationOf(item: Item, floor: Floor, travel: "ground" | "slide"): number {
  const slides = FRICTION[item.material][floor];
  if (travel === "slide" || item.drag === null) return GRAVITY * slides;
  const shape = Math.max(0, item.drag - 1) * ROLLING.boards;
  return GRAVITY * Math.min(slides, ROLLING[floor] * Math.min(1, item.drag) + shape);
}
/** The deceleration of a plain ball on a floor, m/s^2. */
export const ballSlows = (floor: Floor): number => GRAVITY * ROLLING[floor];
/** How far an object gets on level ground at a speed (m/s) with a deceleration (m/s^2): v^2 / 2 a. */
export const stopsAfter = (speed: number, slows: number): number => speed ** 2 / (2 * slows);

/** How well a material slides on a floor compared with a plastic lid on boards, 0 to 1. */
export const slideKeeps = (material: Material, floor: Floor): number =>
  Math.min(1, FRICTION.plastic.boards / FRICTION[material][floor]);

/** How steep a slope is, rise over run: assumptions for the words used in the survey. */
export const GRADE = { level: 0, gentle: 0.03, steep: 0.08 } as const;
export type Slope = keyof typeof GRADE;
/** Something stops whatever rolls away on a slope after this distance, metres. */
const ROLLS_AWAY = 10;
/**
 * How far an object that would run on for `metres` on level ground runs down a slope. Its deceleration (m/s^2) is
 * reduced by the grade; if nothing is left of it, the object rolls away. 0.5 m of a ball on grass, gentle: 0.73 m.
 */
export function runDownhill(metres: number, slows: number, slope: Slope): number {
  const holds = slows / GRAVITY;
  if (GRADE[slope] === 0 || metres === 0) return metres;
  return GRADE[slope] >= holds ? ROLLS_AWAY : Math.min(ROLLS_AWAY, (metres * holds) / (holds - GRADE[slope]));
}
