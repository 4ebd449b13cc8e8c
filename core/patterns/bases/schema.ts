import { z } from "zod";
import { metres, whole } from "../../contract/schema.ts";
import { MAX_BATTERS, MAX_INNINGS, OUTS, PUTS } from "./limits.ts";

export const basesParams = z.strictObject({
  /** The number of bases besides home, and the distance between two of them, metres. */
  bases: whole("bases", 1, 4),
  side: metres("side", 1.5, 20),
  put: z.enum(PUTS, { error: `put must be one of ${PUTS.join(", ")}` }),
  /** A side bats until this many outs, or this many batters; with a bell, until it rings. */
  turn: z.strictObject({
    by: z.enum(["outs", "batters"], { error: "turn by must be outs or batters" }),
    outs: whole("outs", 1, 9),
    batters: whole("batters", 1, MAX_BATTERS),
  }),
  innings: whole("innings", 1, MAX_INNINGS),
  outs: z.array(z.enum(OUTS)).max(OUTS.length),
  /** The ball on the stop spot stops play: runners between bases go back to the last one they touched. */
  stop: z.boolean({ error: "stop must be true or false" }),
  /** An invisible runner may hold a base for a player who has to bat. */
  waiting: z.boolean({ error: "waiting must be true or false" }),
  /** With one base, every trip there and back is a run, until the ball is on the stop spot. */
  trips: z.boolean({ error: "trips must be true or false" }),
});

export type BasesParams = z.infer<typeof basesParams>;
