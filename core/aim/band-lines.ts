import type { LineRule } from "../rules/limits.ts";

/** What a thing on the last line is: `out` once it touches it, in as long as its `middle` is, or out only wholly `past` it. */
export const LAST_LINES = ["out", "middle", "past"] as const;
export type LastLine = (typeof LAST_LINES)[number];

/**
 * How far each line counts from where it lies, metres, for a thing of diameter `b`, so that its middle decides there. Inner lines go by points:
 * a thing on one has the `lower` or the `higher` points of its two bands, or those where its middle is; which of the bands that is, nearer
 * or farther, is what the points say. The last line has its own rule. `points`: of the bands, nearest first; before the first
 * line there are none. Bands of 1, 2 and 5, lower, out, b 0.1 -> [0.05, 0.05, 0.05, -0.05].
 */
export function lineShifts(points: readonly number[], rule: LineRule, last: LastLine, b: number): number[] {
  const inner = points.map((after, i) => {
    const before = i === 0 ? 0 : points[i - 1]!;
    if (rule === "centre" || before === after) return 0;
    // The band before keeps the thing until it is wholly past the line, or loses it once it touches.
    return (rule === "lower") === before < after ? b / 2 : -b / 2;
  });
  return [...inner, last === "out" ? -b / 2 : last === "past" ? b / 2 : 0];
}
