import { z } from "zod";
import { distance, metres, whole } from "../../contract/schema.ts";

export const threeLineParams = z.strictObject({
  /** Squares along one side, and so many in a line. */
  size: whole("size", 3, 4),
  /** One square, metres. */
  cell: metres("cell", 0.2, 1),
  /** From the line to the near edge of the grid. */
  distance,
  /** Sends of a side, those sent again included; fewer make it a line within so many. */
  sends: whole("sends", 3, 60),
  /** How the squares are shown on the floor. */
  marked: z.enum(["corners", "sheets"]),
});
export type ThreeLineParams = z.infer<typeof threeLineParams>;
