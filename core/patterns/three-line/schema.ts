import { z } from "zod";
import { distance, metres, whole } from "../../contract/schema.ts";
import { mostPieces } from "./limits.ts";

export const threeLineParams = z
  .strictObject({
    /** Squares along one side, and the length of a line. */
    size: whole("size", 3, 4),
    /** The side of one square, in metres. */
    cell: metres("cell", 0.2, 1),
    /** From the line to the near edge of the grid. */
    distance,
    /** Attempts of a side, repeats included. The line must be made within them. */
    sends: whole("sends", 3, 60),
    /**
     * Head to head, when all pieces are placed without a line: players take up one of their own and send it again (the default), or it is a
     * draw.
     */
    stuck: z.enum(["takeUp", "draw"], { error: "stuck must be takeUp or draw" }).optional(),
    /** Head to head: the pieces of each side, at least as many as make a line. Null means exactly as many. */
    pieces: whole("pieces", 3, 8).nullable().default(null),
    /** How the grid is marked on the floor. */
    marked: z.enum(["corners", "sheets"]),
  })
  .superRefine((params, ctx) => {
    const most = mostPieces(params.size);
    if (params.pieces !== null && (params.pieces < params.size || params.pieces > most))
      ctx.addIssue({
        code: "custom",
        path: ["pieces"],
        message: `pieces must be ${params.size} to ${most} on a grid of ${params.size} by ${params.size}`,
      });
  });

export type ThreeLineParams = z.infer<typeof threeLineParams>;
