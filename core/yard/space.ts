import { z } from "zod";
import { FLOORS } from "../items/floors.ts";
import { areaOf, cleanCorners, crossingSides, diameterOf, type Point } from "./geometry.ts";
import { MAX_CORNERS, MIN_AREA, OBSTACLES, SHORTEST_LINE } from "./space-limits.ts";

const FARTHEST = 60;

const place = (name: string) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(-FARTHEST, `${name} must be -${FARTHEST} m or more`)
    .max(FARTHEST, `${name} must be ${FARTHEST} m or less`);
const size = (name: string) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(0.02, `${name} must be 0.02 m or more`)
    .max(FARTHEST, `${name} must be ${FARTHEST} m or less`);

/** The place of an obstacle: the near left corner of its rectangle and its size, metres from the space's own corner. */
export const obstacle = z.strictObject({
  kind: z.enum(OBSTACLES, { error: `an obstacle must be one of ${OBSTACLES.join(", ")}` }),
  x: place("x"),
  y: place("y"),
  width: size("width"),
  depth: size("depth"),
});
export type Obstacle = z.infer<typeof obstacle>;

/** An area of the space with another floor: its near left corner and its size, metres. */
export const floorPatch = z.strictObject({
  floor: z.enum(FLOORS, { error: `floor must be one of ${FLOORS.join(", ")}` }),
  x: place("x"),
  y: place("y"),
  width: size("width"),
  depth: size("depth"),
});
export type FloorPatch = z.infer<typeof floorPatch>;

const point = z.strictObject({ x: place("x"), y: place("y") });
/** The outline of a space that is not a plain rectangle: its corners in order, metres. */
export const outline = z
  .array(point)
  .min(3, "a space needs at least 3 corners")
  .max(MAX_CORNERS, `a space has at most ${MAX_CORNERS} corners`)
  .superRefine((given, ctx) => {
    const corners = cleanCorners(given);
    const cross = crossingSides(corners);
    if (cross)
      ctx.addIssue({
        code: "custom",
        message: `side ${cross[0] + 1} crosses side ${cross[1] + 1}. Tap the corners in order.`,
      });
    else if (diameterOf(corners) < SHORTEST_LINE)
      ctx.addIssue({ code: "custom", message: `the space must be longer than one step, ${SHORTEST_LINE} m` });
    else if (Math.abs(areaOf(corners)) < MIN_AREA)
      ctx.addIssue({ code: "custom", message: `the space must have ${MIN_AREA} square metres or more` });
  });

/** A space in the shape that the fitting needs: metres, the corners of the outline in order. */
export interface Ground {
  corners: readonly Point[];
  obstacles: readonly Obstacle[];
  indoors: boolean;
  /** The height of the ceiling, metres. Null: no ceiling, or unknown. */
  ceiling: number | null;
}
