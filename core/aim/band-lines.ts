import type { LineRule } from "../rules/limits.ts";

/**
 * When an object on the last line is out: `out` once it touches the line, `middle` once its middle is past it, `past`
 * only once all of it is past.
 */
export const LAST_LINES = ["out", "middle", "past"] as const;
export type LastLine = (typeof LAST_LINES)[number];

/**
 * How far each line counts from where it lies, metres, for an object of diameter `b`, so that its middle decides
 * there. Inner lines go by points: an object on such a line gets the `lower` or the `higher` points of the two bands,
 * or those of the band where its middle is. Which band has more points, the nearer or the farther one, depends on
 * `points`. The last line has its own rule. `points`: of the bands, nearest first; before the first line there are
 * none. Bands of 1, 2 and 5, lower, out, b 0.1 -> [0.05, 0.05, 0.05, -0.05].
 */
export function lineShifts(points: readonly number[], rule: LineRule, last: LastLine, b: number): number[] {
  const inner = points.map((after, i) => {
    const before = i === 0 ? 0 : points[i - 1]!;
    if (rule === "centre" || before === after) return 0;
    // The nearer band keeps the object until it is completely past the line, or loses it once it touches the line.
    return (rule === "lower") === before < after ? b / 2 : -b / 2;
  });
  return [...inner, last === "out" ? -b / 2 : last === "past" ? b / 2 : 0];
}
