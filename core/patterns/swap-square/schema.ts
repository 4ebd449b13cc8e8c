import { z } from "zod";
import { metres, whole } from "../../contract/schema.ts";
import { MAX_N, MIN_N, REACHES } from "../../sorting-grid/grid.ts";

export const swapSquareParams = z
  .strictObject({
    /** The number of kinds, and of items of each. */
    n: whole("n", MIN_N, MAX_N),
    /** Two neighbours are swapped, or any two in one row or column. */
    reach: z.enum(REACHES, { error: `reach must be one of ${REACHES.join(", ")}` }),
    /** The items, by the list of items; one for each kind. */
    kinds: z
      .array(z.string().min(1).max(40))
      .min(MIN_N, `kinds: at least ${MIN_N}`)
      .max(MAX_N, `kinds: at most ${MAX_N}`),
    /** The side of a square of the grid, and the distance from the line to the near row, metres. */
    cell: metres("cell", 0.15, 1),
    distance: metres("distance", 0.5, 15),
    /**
     * Who mixes the square: the application to a given difficulty, the child by hand, or somebody else. And the range
     * of fewest trips.
     */
    mix: z.enum(["app", "hand", "opponent"], { error: "mix must be app, hand or opponent" }),
    least: whole("least", 1, 20),
    most: whole("most", 1, 20),
    score: z.enum(["trips", "time"], { error: "score must be trips or time" }),
    /**
     * Against each other: each has a square of their own, or both take turns on one and score the rows that they
     * complete.
     */
    squares: z.enum(["own", "one"], { error: "squares must be own or one" }),
    /** An exercise that is done at the square before running back. */
    exercise: z
      .strictObject({
        name: z.string().trim().min(1, "exercise must not be empty").max(40),
        dose: whole("dose", 1, 30),
      })
      .nullable(),
  })
  .superRefine((params, ctx) => {
    if (params.kinds.length < params.n)
      ctx.addIssue({
        code: "custom",
        path: ["kinds"],
        message: `the grid needs ${params.n} types of item; ${params.kinds.length} are chosen`,
      });
    if (new Set(params.kinds.slice(0, params.n)).size < Math.min(params.n, params.kinds.length))
      ctx.addIssue({ code: "custom", path: ["kinds"], message: "the types of item must all be different" });
    if (params.most < params.least)
      ctx.addIssue({
        code: "custom",
        path: ["most"],
        message: `the most trips must not be below the fewest (${params.least})`,
      });
  });

export type SwapSquareParams = z.infer<typeof swapSquareParams>;
