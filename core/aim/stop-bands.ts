import { lineShift } from "./hit.ts";
import type { LineRule } from "./hit-rule.ts";
import { below } from "./normal.ts";

/**
 * Chance to stop short of the first line, in each band between the lines, and beyond the last: lines.length + 1 numbers that
 * sum to 1. `lines` in metres from the start, rising; `aim` in metres; `range` the spread along the ground; `b` the diameter.
 * `lineRule` says which part of the thing names its band. Source: core model, `band`.
 */
export function stopBands(
  lines: readonly number[],
  aim: number,
  range: number,
  b: number,
  lineRule: LineRule,
): number[] {
  const shift = lineShift(lineRule, b);
  const cuts = lines.map((line) => below(line + shift - aim, range * aim));
  const out: number[] = [];
  let last = 0;
  for (const c of cuts) {
    out.push(c - last);
    last = c;
  }
  out.push(1 - last);
  return out;
}
