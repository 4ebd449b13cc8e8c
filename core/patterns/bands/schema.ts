import { z } from "zod";
import { LAST_LINES } from "../../aim/band-lines.ts";
import { whole } from "../../contract/schema.ts";
import { LINE_RULES } from "../../rules/limits.ts";
import { MAX_BANDS, MAX_ROUNDS } from "./limits.ts";

/** Thinner bands cannot be laid out at home, metres. */
const MIN_DEPTH = 0.1;

export const bandsParams = z
  .strictObject({
    /** The lines across the floor, metres from the start, rising. Band n lies between line n and line n + 1. */
    lines: z
      .array(
        z
          .number({ error: "line must be a number of metres" })
          .min(0.3, "line must be 0.3 m or more")
          .max(30, "line must be 30 m or less"),
      )
      .min(2, "bands need at least 2 lines")
      .max(MAX_BANDS + 1, `bands have at most ${MAX_BANDS + 1} lines`),
    points: z.array(whole("points", 0, 100)),
    /** The width of the bands, metres. */
    width: z
      .number({ error: "width must be a number of metres" })
      .min(0.3, "width must be 0.3 m or more")
      .max(10, "width must be 10 m or less"),
    /** On an inner line, the lower points count, the higher ones, or those where the object's middle is. */
    lineRule: z.enum(LINE_RULES),
    /** On the last line: out if it touches the line, out if its middle is past it, or only if all of it is. */
    lastLine: z.enum(LAST_LINES).default("out"),
    /** Past the last line: no points, or those of the last band. */
    overshoot: z.enum(["nothing", "last"]),
    /** The pieces that each side sends in a round. */
    pieces: whole("pieces", 1, 10),
    /** All points count, or only the difference of the round, for the better side (two sides). */
    counting: z.enum(["all", "difference"]),
    finish: z.strictObject({
      rounds: whole("rounds", 1, MAX_ROUNDS).nullable(),
      total: whole("total", 1, 1000).nullable(),
      /** The total must be reached exactly: a round that goes over does not count, or sets the side back. */
      exact: z.boolean(),
      dropTo: whole("dropTo", 0, 999).nullable(),
    }),
    /** A blocker may be placed before a side's last piece. */
    blocker: z.boolean(),
    /** The side that sends first in the next round. */
    lead: z.enum(["alternate", "winner", "loser", "same"]),
    /** Sides alternate piece by piece, or send all their pieces at once. */
    order: z.enum(["piece", "set"]),
    /** A tie after the last round is shared, or decided by one more round. */
    tie: z.enum(["shared", "extra"]),
  })
  .superRefine((params, ctx) => {
    params.lines.forEach((line, i) => {
      const last = params.lines[i - 1];
      if (last !== undefined && line < last + MIN_DEPTH - 1e-9)
        ctx.addIssue({
          code: "custom",
          path: ["lines", i],
          message: `bands overlap: line ${i + 1} (${line} m) must be at least ${MIN_DEPTH} m beyond line ${i} (${last} m)`,
        });
    });
    if (params.points.length !== params.lines.length - 1)
      ctx.addIssue({
        code: "custom",
        path: ["points"],
        message: `${params.lines.length} lines make ${params.lines.length - 1} bands. Give points for each.`,
      });
    if (params.finish.rounds === null && params.finish.total === null)
      ctx.addIssue({
        code: "custom",
        path: ["finish"],
        message: "the game needs a number of rounds, a score to reach, or both",
      });
    if (params.finish.dropTo !== null && params.finish.total !== null && params.finish.dropTo >= params.finish.total)
      ctx.addIssue({
        code: "custom",
        path: ["finish", "dropTo"],
        message: `the score to drop to must be below ${params.finish.total}, the score to reach`,
      });
  });

export type BandsParams = z.infer<typeof bandsParams>;
