import { z } from "zod";
import { metres, whole } from "../../contract/schema.ts";
import { MAX_POINTS, OVERS } from "./limits.ts";

const court = (name: string) =>
  z.strictObject({ length: metres(`${name} length`, 0.8, 8), width: metres(`${name} width`, 0.8, 8) });
export const rallyParams = z.strictObject({
  over: z.enum(OVERS, { error: `over must be one of ${OVERS.join(", ")}` }),
  /** The height of the net or the rope, metres. */
  height: metres("height", 0, 1.6),
  /**
   * The court of the side at the start line, and of the other one. A player may have a smaller one to cover. Metres.
   */
  near: court("near"),
  far: court("far"),
  serve: z.strictObject({
    by: z.enum(["fixed", "alternate", "winner", "loser"], {
      error: "serve by must be fixed, alternate, winner or loser",
    }),
    /** The number of points after which the serve changes, if sides alternate. */
    every: whole("every", 1, 10),
    how: z.enum(["hand", "bounce"], { error: "serve how must be hand or bounce" }),
    /** True if a fault is served once more. */
    second: z.boolean({ error: "second must be true or false" }),
  }),
  /** The number of bounces on the floor that are allowed before the return. */
  bounces: whole("bounces", 0, 2),
  /** An object that touches a line is in, or out. */
  lines: z.enum(["in", "out"], { error: "lines must be in or out" }),
  points: whole("points", 1, MAX_POINTS),
  /** True if a game must be won by at least two points. */
  lead: z.boolean({ error: "lead must be true or false" }),
  /** The best of this many games. */
  games: z.union([z.literal(1), z.literal(3), z.literal(5)], { error: "games must be 1, 3 or 5" }),
  /** Together or alone: how many rallies are begun. */
  rallies: whole("rallies", 1, 60),
  /** What is recorded of a rally: who won it, also why, or the number of touches. */
  told: z.enum(["points", "why", "touches"], { error: "told must be points, why or touches" }),
});

export type RallyParams = z.infer<typeof rallyParams>;
