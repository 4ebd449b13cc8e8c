import { type Card, compileFor, type Making } from "#core/compile/card.ts";
import { type Decided, remake } from "#core/compile/swap.ts";
import { quantile } from "#core/forecast/distribution.ts";
import { forecastActivity } from "#core/forecast/for-activity.ts";
import { Graph } from "#core/forecast/forecast.ts";
import { rareScore } from "#core/forecast/rare.ts";
import type { Activity } from "#core/formats/activity.ts";

/** Where eight of ten children of an age should land, and the middle. */
export interface Expected {
  low: number;
  middle: number;
  high: number;
  /** The score that one in a thousand reaches; null: none is so rare, or it is not worked out. */
  rare?: number | null;
}

/** Everything heavy that the server works out. Pure, so that it may run in a thread of its own. */
export const figuresWork = {
  /** The card of each child. */
  cards: (makings: readonly Making[]): Card[] => makings.map((m) => compileFor(m)),
  /** A card as its family decided to play it. */
  remade: (making: Making, decided: Decided): Card => remake(making, decided),
  /** What is expected of each age, alone. */
  expected(a: Activity, ages: readonly number[]): Record<number, Expected> {
    const graph = new Graph();
    const out: Record<number, Expected> = {};
    for (const age of new Set(ages)) {
      const told = forecastActivity(a, [{ age }], { players: 1, mode: "alone", seed: 1 }, "middle", { graph });
      const d = told.sides[0]!.points;
      // Where so many are cut off that a share has no score, the farthest that anybody comes is drawn.
      const most = d.at[d.at.length - 1] ?? 0;
      const at = (share: number) => Math.min(most, quantile(d, share));
      out[age] = { low: at(0.1), middle: at(0.5), high: at(0.9) };
    }
    return out;
  },
  /** From which score on a go at that age is worth a look. */
  rare: (a: Activity, age: number): number | null => rareScore(a, age),
};
export type FiguresWork = typeof figuresWork;
export type WorkName = keyof FiguresWork;
