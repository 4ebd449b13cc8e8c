import type { Trouble } from "./fit.ts";
import type { FloorArea } from "./footprint.ts";
import { boxInside, overlap } from "./geometry.ts";
import { type Placement, placed } from "./placement.ts";
import { keepsClear, OVERLAP_ALLOWED, THIN } from "./placement-search.ts";
import { boxOf } from "./shapes.ts";
import type { Ground } from "./space.ts";

/**
 * A second, simple implementation of what a placement must satisfy, for tests only: every piece is checked against
 * the whole space, without turning.
 */
export function troubleOf(pieces: readonly FloorArea[], ground: Ground, at: Placement): Trouble | null {
  for (const piece of pieces) {
    const box = placed(piece, at);
    const thin = piece.kind === "lane" && !piece.run;
    if (piece.kind !== "runOut" && !thin && !boxInside(ground.corners, box)) return "outside";
    if (thin && !boxInside(ground.corners, { ...box, hy: THIN })) return "outside";
    for (const obstacle of ground.obstacles)
      if (keepsClear(piece.kind, obstacle.kind) && overlap(box, boxOf(obstacle)) > OVERLAP_ALLOWED)
        return obstacle.kind === "wall" ? "furniture" : obstacle.kind;
  }
  return null;
}
