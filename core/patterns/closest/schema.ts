import { z } from "zod";
import { metres, whole } from "../../contract/schema.ts";
import { MAX_ROUNDS } from "./limits.ts";

export const closestParams = z
  .strictObject({
    /** The jack lies between these distances from the line, in metres. */
    near: metres("near", 0.5, 20),
    far: metres("far", 0.8, 30),
    width: metres("width", 0.6, 6),
    /** Whether the jack is sent at the start of each round or placed halfway. */
    jack: z.enum(["sent", "placed"], { error: "jack must be sent or placed" }),
    /** Pieces of each side. */
    pieces: whole("pieces", 1, 4),
    /** Who sends next: sides in turn, or the side that lies farther away. */
    order: z.enum(["turn", "farther"], { error: "order must be turn or farther" }),
    leads: z.enum(["winner", "loser", "alternate"], { error: "leads must be winner, loser or alternate" }),
    /** If true, a piece beyond the far limit is out. */
    dead: z.boolean(),
    /** Whether a jack that was hit stays there or goes back. */
    struck: z.enum(["stays", "back"], { error: "struck must be stays or back" }),
    /** A side alone plays against an imagined piece at this distance from the jack, in metres. */
    mark: metres("mark", 0.05, 3),
    finish: z.strictObject({
      points: whole("points", 1, 30).nullable(),
      rounds: whole("rounds", 1, MAX_ROUNDS).nullable(),
    }),
  })
  .superRefine((field, ctx) => {
    if (Math.round(100 * (field.far - field.near)) < 30)
      ctx.addIssue({
        code: "custom",
        path: ["far"],
        message: `far (${field.far} m) must be at least 0.3 m beyond near (${field.near} m)`,
      });
    if (field.finish.points === null && field.finish.rounds === null)
      ctx.addIssue({
        code: "custom",
        path: ["finish", "rounds"],
        message: "the game needs points to reach, a number of rounds, or both",
      });
  });

export type ClosestParams = z.infer<typeof closestParams>;
