import type { Floor } from "../kit/floors.ts";

export const GRAVITY = 9.81;
/** Rolling resistance of a ball by floor, no unit: assumptions, see docs/model.md. */
export const ROLLING: Record<Floor, number> = { carpet: 0.07, boards: 0.033, tile: 0.029, grass: 0.096, paving: 0.031 };

/**
 * How far a thing rolls before it stops on the level, metres: v^2 / (2 g c). `speed` in m/s; `drag` beside a ball on the same floor.
 * 1.3 m/s, drag 1, boards: 2.61 m.
 */
export const rollingDistance = (speed: number, drag: number, floor: Floor): number =>
  speed ** 2 / (2 * GRAVITY * ROLLING[floor] * drag);

/** Speed left after rolling `metres`, m/s; 0 once it has stopped. */
export const speedAfterRolling = (speed: number, metres: number, drag: number, floor: Floor): number =>
  Math.sqrt(Math.max(0, speed ** 2 - 2 * GRAVITY * ROLLING[floor] * drag * metres));
