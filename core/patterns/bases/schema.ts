import { z } from "zod";
import { metres, whole } from "../../contract/schema.ts";
import { MAX_BATTERS, MAX_INNINGS, OUTS, PUTS } from "./limits.ts";

export const basesParams = z.strictObject({
  /** Bases besides home, and from one to the next, metres. */
  bases: whole("bases", 1, 4),
  side: metres("side", 1.5, 20),
  put: z.enum(PUTS, { error: `put must be one of ${PUTS.join(", ")}` }),
  /** A side bats until so many outs, or so many batters; with a bell, until it goes. */
  turn: z.strictObject({
    by: z.enum(["outs", "batters"], { error: "turn by must be outs or batters" }),
    outs: whole("outs", 1, 9),
    batters: whole("batters", 1, MAX_BATTERS),
  }),
  innings: whole("innings", 1, MAX_INNINGS),
  outs: z.array(z.enum(OUTS)).max(OUTS.length),
  /** The ball on the stop spot stops play: whoever is between bases goes back to the last one touched. */
  stop: z.boolean({ error: "stop must be true or false" }),
  /** An invisible runner may hold a base for somebody who has to bat. */
  waiting: z.boolean({ error: "waiting must be true or false" }),
  /** One base, and every trip there and back is a run, until the stop. */
  trips: z.boolean({ error: "trips must be true or false" }),
});

export type BasesParams = z.infer<typeof basesParams>;
