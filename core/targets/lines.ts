import type { Peg, Probe } from "../contract/contract.ts";
import { cm, held } from "../contract/round.ts";
import type { Part } from "../yard/parts.ts";
import { targetProbes } from "./list.ts";
import { MIN_GAP, type Standing, targetPart } from "./target.ts";

/** One target near the far end, and lines at distances from it. `l1` is the nearest. Metres. */
const BEHIND = 0.5;
const LINE_WIDTH = 1.2;
/** How much farther away an added line lies if there is room. */
const FARTHER = 0.6;

export const lineId = (i: number) => `l${i + 1}`;
export const lineIndex = (id: string) => Number(id.slice(1)) - 1;

/** The target, the lines with their numbers, and the player at the nearest one. `points`: written beside the number. */
export function lineParts(
  target: Standing,
  lines: readonly number[],
  space: { length: number; width: number },
  points?: readonly number[],
): Part[] {
  const far = Math.max(space.length - BEHIND, ...lines);
  return [
    ...lines.map(
      (line, i): Part => ({
        kind: "line",
        id: lineId(i),
        along: far - line,
        across: 0,
        width: Math.min(LINE_WIDTH, space.width),
        role: "start",
        label: `${i + 1}`,
        ...(points && { points: points[i]! }),
      }),
    ),
    { kind: "person", id: "sender", along: far - lines[0]!, across: 0, role: "sender" },
    targetPart(target, far),
  ];
}
export const linePegs = (lines: readonly number[]): Peg[] =>
  lines.map((distance, i) => ({ id: lineId(i), label: `${i + 1}`, distance, kind: "line" }));
/** The chance to hit the target from each line, shown under the line. */
export const lineProbes = (target: string, lines: readonly number[]): Probe[] =>
  lines.map((_, i) => {
    const probe = targetProbes([target])[0]!;
    return { ...probe, id: lineId(i), peg: lineId(i), ask: { ...probe.ask, from: lineId(i) } };
  });

/** Lines keep their order: a line stops 5 cm before its neighbour. */
export function movedLine(lines: readonly number[], id: string, metres: number): number[] {
  const i = lineIndex(id);
  const low = i > 0 ? lines[i - 1]! + MIN_GAP : 0.3;
  const high = i < lines.length - 1 ? lines[i + 1]! - MIN_GAP : 30;
  return lines.map((line, k) => (k === i ? held(metres, low, high) : line));
}
/** The position of a further line. Null if the space ends before it. */
export function nextLine(lines: readonly number[], space: { length: number }): number | null {
  const last = lines[lines.length - 1]!;
  const next = cm(Math.min(last + FARTHER, space.length));
  return next < last + MIN_GAP ? null : next;
}
/** The distances without repetition, in order: targets entered as lines. */
export const linesFrom = (distances: readonly number[]): number[] =>
  [...new Set(distances)].sort((a, b) => a - b).filter((d, i, all) => i === 0 || d - all[i - 1]! >= MIN_GAP);

/** Checks that each line is farther than the one before it. `path` gives the path of each by its index. */
export function checkLines(
  lines: readonly number[],
  path: (i: number) => (string | number)[],
  name: string,
  ctx: { addIssue(issue: { code: "custom"; path: (string | number)[]; message: string }): void },
): void {
  for (const [i, line] of lines.entries()) {
    const last = lines[i - 1];
    if (last !== undefined && line < last + MIN_GAP)
      ctx.addIssue({
        code: "custom",
        path: path(i),
        message: `${name} ${i + 1} (${line} m) must be at least ${MIN_GAP} m farther than ${name} ${i} (${last} m)`,
      });
  }
}
