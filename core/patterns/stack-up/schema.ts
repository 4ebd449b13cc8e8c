import { z } from "zod";
import { across, distance, metres, whole } from "../../contract/schema.ts";
import { pin } from "../../targets/pin-schema.ts";
import { GROWS } from "./limits.ts";

export const stackParams = z.strictObject({
  pin,
  /** From the line to the nearest pin of the full row. */
  distance,
  across,
  /** Where the next pin goes, and the gap between edges. */
  grow: z.enum(GROWS, { error: `grow must be one of ${GROWS.join(", ")}` }),
  gap: metres("gap", 0.01, 0.6),
  /** Pins of the full row. */
  full: whole("full", 3, 10),
  /** Attempts in a round. */
  sends: whole("sends", 1, 4),
  /** Rounds of each side; null for no limit. */
  rounds: whole("rounds", 1, 60).nullable(),
  /**
   * Whether the forecast counts pins knocked over by other pins. Documents of earlier versions leave it out, and count only what the object
   * hits.
   */
  pinOnPin: z.boolean().optional(),
  /** If true, a round that fails with a single pin standing ends the go. */
  firstEnds: z.boolean(),
  /** Whether the full row ends the go, or play begins again one line farther back. */
  after: z.enum(["stop", "again"], { error: "after must be stop or again" }),
  /** Distance from one line to the next one back, in metres. */
  back: metres("back", 0.2, 1.5),
  score: z.enum(["rounds", "row", "time", "felled"], { error: "score must be rounds, row, time or felled" }),
  /** Head to head: each side has a row of pins, or all aim at one and score what they knock down. */
  heap: z.enum(["own", "shared"], { error: "heap must be own or shared" }),
});

export type StackParams = z.infer<typeof stackParams>;
