import { z } from "zod";
import { metres, whole } from "../../contract/schema.ts";
import { MAX_ROUNDS } from "./limits.ts";

export const closestParams = z
  .strictObject({
    /** The jack lies between these, from the line, metres. */
    near: metres("near", 0.5, 20),
    far: metres("far", 0.8, 30),
    width: metres("width", 0.6, 6),
    /** It is sent at the start of each round, or placed half-way. */
    jack: z.enum(["sent", "placed"], { error: "jack must be sent or placed" }),
    /** Pieces of each side. */
    pieces: whole("pieces", 1, 4),
    /** Sides in turn, or whoever lies farther. */
    order: z.enum(["turn", "farther"], { error: "order must be turn or farther" }),
    leads: z.enum(["winner", "loser", "alternate"], { error: "leads must be winner, loser or alternate" }),
    /** Past the far limit a piece is out. */
    dead: z.boolean(),
    /** A jack that was struck stays where it went, or goes back. */
    struck: z.enum(["stays", "back"], { error: "struck must be stays or back" }),
    /** One side alone plays against a piece that lies so far from the jack every round, metres. */
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
