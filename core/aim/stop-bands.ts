import { below } from "./normal.ts";

/**
 * Chance to stop short of the first line, in each band between the lines, and beyond the last: lines.length + 1 numbers that
 * sum to 1. `lines` in metres from the start, rising; `aim` in metres; `range` the spread along the ground; `shifts`: how far each
 * line counts from where it lies (`lineShifts`). Source: core model, `band`.
 */
export function stopBands(lines: readonly number[], aim: number, range: number, shifts: readonly number[]): number[] {
  const out: number[] = [];
  let last = 0;
  for (const [i, line] of lines.entries()) {
    // Of two lines closer than the thing is wide the farther never comes before the nearer.
    const c = Math.max(last, below(line + shifts[i]! - aim, range * aim));
    out.push(c - last);
    last = c;
  }
  out.push(1 - last);
  return out;
}
