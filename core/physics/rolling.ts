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

/** How steep a slope is, rise over run: assumptions for the words that a home is asked. */
export const GRADE = { level: 0, gentle: 0.03, steep: 0.08 } as const;
export type Slope = keyof typeof GRADE;
/** Whatever rolls away on a slope is stopped by something after so far, metres. */
const ROLLS_AWAY = 10;

/**
 * How far a thing that would run on for `metres` on the level runs down a slope: the resistance is less by the grade, so metres times
 * c / (c - grade); where the slope is as steep as the floor holds, it rolls away. 0.5 m on grass, gentle: 0.73 m.
 */
export function runDownhill(metres: number, drag: number, floor: Floor, slope: Slope): number {
  const holds = ROLLING[floor] * drag;
  if (GRADE[slope] === 0) return metres;
  return GRADE[slope] >= holds ? ROLLS_AWAY : Math.min(ROLLS_AWAY, (metres * holds) / (holds - GRADE[slope]));
}
