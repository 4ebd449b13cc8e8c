import { type Box, cleanCorners, type Point } from "./geometry.ts";
import type { Obstacle } from "./space.ts";

/** A plain rectangle of this length (x) and width (y). */
export const rectangle = (length: number, width: number): Point[] => [
  { x: 0, y: 0 },
  { x: length, y: 0 },
  { x: length, y: width },
  { x: 0, y: width },
];
/** The corners of a space: its outline without redundant corners, or its rectangle. */
export const outlineOf = (s: { outline?: readonly Point[]; length: number; width: number }): readonly Point[] =>
  s.outline ? cleanCorners(s.outline) : rectangle(s.length, s.width);
/** An L: the rectangle without its far right corner of this size. */
export const ell = (length: number, width: number, cutLength: number, cutWidth: number): Point[] => [
  { x: 0, y: 0 },
  { x: length, y: 0 },
  { x: length, y: width - cutWidth },
  { x: length - cutLength, y: width - cutWidth },
  { x: length - cutLength, y: width },
  { x: 0, y: width },
];

export const boxOf = (o: Obstacle): Box => ({
  x: o.x + o.width / 2,
  y: o.y + o.depth / 2,
  hx: o.width / 2,
  hy: o.depth / 2,
  angle: 0,
});
