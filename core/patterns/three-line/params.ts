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
  /** Against, once all pieces of both lie there without a line: one of one's own is taken up and sent again (also where it is not said), or it is a draw. */
  stuck: z.enum(["takeUp", "draw"], { error: "stuck must be takeUp or draw" }).optional(),
  /** How the squares are shown on the floor. */
  marked: z.enum(["corners", "sheets"]),
});
export type ThreeLineParams = z.infer<typeof threeLineParams>;
