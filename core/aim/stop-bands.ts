import { below } from "./normal.ts";

/**
 * The chance to stop short of the first line, in each band between the lines, and beyond the last: lines.length + 1
 * numbers that add up to 1. `lines` in metres from the start, rising; `aim` in metres; `range` is the spread along
 * the ground; `shifts` say how far each line counts from where it lies (`lineShifts`). Source: core model, `band`.
 */
export function stopBands(lines: readonly number[], aim: number, range: number, shifts: readonly number[]): number[] {
  const out: number[] = [];
  let last = 0;
  for (const [i, line] of lines.entries()) {
    // If two lines are closer than the object is wide, the farther one never counts before the nearer one.
    const c = Math.max(last, below(line + shifts[i]! - aim, range * aim));
    out.push(c - last);
    last = c;
  }
  out.push(1 - last);
  return out;
}
