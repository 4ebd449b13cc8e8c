import type { FloorArea } from "./footprint.ts";
import type { Box, Point } from "./geometry.ts";

/**
 * Where a layout lies in a space: the middle of its start line, its direction (radians, 0 along x), and whether it is
 * mirrored.
 */
export interface Placement {
  x: number;
  y: number;
  angle: number;
  mirrored: boolean;
}

/** A point of the layout in the space. */
export function pointIn(p: { along: number; across: number }, at: Placement): Point {
  const across = at.mirrored ? -p.across : p.across;
  const [c, s] = [Math.cos(at.angle), Math.sin(at.angle)];
  return { x: at.x + p.along * c - across * s, y: at.y + p.along * s + across * c };
}
/** A piece of the layout in the space. */
export const placed = (piece: FloorArea, at: Placement): Box => ({
  ...pointIn(piece, at),
  hx: piece.halfAlong,
  hy: piece.halfAcross,
  angle: at.angle + (at.mirrored ? -piece.angle : piece.angle),
});
