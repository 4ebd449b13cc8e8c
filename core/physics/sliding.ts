import type { Floor } from "../kit/floors.ts";
import type { Material } from "../kit/item.ts";
import { GRAVITY } from "./rolling.ts";

/** Friction of a flat piece by what it is of and what it lies on, catching on tufts and joints included: assumptions. */
export const FRICTION: Record<Material, Record<Floor, number>> = {
  fabric: { carpet: 0.65, boards: 0.28, tile: 0.26, grass: 1.3, paving: 0.6 },
  plastic: { carpet: 0.7, boards: 0.22, tile: 0.2, grass: 1.4, paving: 0.45 },
  wood: { carpet: 0.65, boards: 0.24, tile: 0.22, grass: 1.3, paving: 0.45 },
  metal: { carpet: 0.7, boards: 0.22, tile: 0.19, grass: 1.4, paving: 0.42 },
  paper: { carpet: 0.6, boards: 0.26, tile: 0.24, grass: 1.2, paving: 0.5 },
  rubber: { carpet: 0.9, boards: 0.8, tile: 0.8, grass: 1.4, paving: 0.85 },
  ceramic: { carpet: 0.6, boards: 0.22, tile: 0.18, grass: 1.3, paving: 0.45 },
};
/** The floor and piece that an action's reach is stated for. */
const EASY = FRICTION.plastic.boards;
/** A full push that gets less far than this is no game, metres. */
export const LEAST_SLIDE = 1.2;

/** How far a flat piece slides on the level, metres: v^2 / (2 g mu). Plastic on boards at 3 m/s: 2.09 m. */
export const slideDistance = (speed: number, material: Material, floor: Floor): number =>
  speed ** 2 / (2 * GRAVITY * FRICTION[material][floor]);

/** Share of the reach on an easy floor that is left, 0 to 1: reach goes with 1 / mu. */
export const slideKeeps = (material: Material, floor: Floor): number => Math.min(1, EASY / FRICTION[material][floor]);

/** Whether sliding is pointless: not even a full push gets `LEAST_SLIDE` far. `reach`: of that player on an easy floor, metres. */
export const slidingPointless = (material: Material, floor: Floor, reach: number): boolean =>
  reach * slideKeeps(material, floor) < LEAST_SLIDE;
