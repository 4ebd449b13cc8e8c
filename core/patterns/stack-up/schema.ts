import { z } from "zod";
import { across, distance, metres, whole } from "../../contract/schema.ts";
import { pin } from "../../targets/pin-schema.ts";
import { GROWS } from "./limits.ts";

export const stackParams = z.strictObject({
  pin,
  /** From the line to the nearest pin of the full row. */
  distance,
  across,
  /** Where the next pin is put, and how far apart edges stand. */
  grow: z.enum(GROWS, { error: `grow must be one of ${GROWS.join(", ")}` }),
  gap: metres("gap", 0.01, 0.6),
  /** Pins of the full row. */
  full: whole("full", 3, 10),
  /** Sends of a round. */
  sends: whole("sends", 1, 4),
  /** Rounds that a side has; null: no cap. */
  rounds: whole("rounds", 1, 60).nullable(),
  /** The forecast counts what a falling pin knocks over (not given, from earlier versions: only what the object sweeps). */
  pinOnPin: z.boolean().optional(),
  /** A round that fails with a single pin standing ends the go. */
  firstEnds: z.boolean(),
  /** The full row ends it, or it begins again one line farther back. */
  after: z.enum(["stop", "again"], { error: "after must be stop or again" }),
  /** How far back a line is from the one before, metres. */
  back: metres("back", 0.2, 1.5),
  score: z.enum(["rounds", "row", "time", "felled"], { error: "score must be rounds, row, time or felled" }),
  /** Against: each side has its own row, or all send at one and score what they fell. */
  heap: z.enum(["own", "shared"], { error: "heap must be own or shared" }),
});

export type StackParams = z.infer<typeof stackParams>;
