import { z } from "zod";
import { across, distance, metres, whole } from "../../contract/schema.ts";
import { pin } from "../../targets/pin-schema.ts";
import { FEWEST_PINS, MAX_PINS, SHAPES } from "./limits.ts";

const count = whole("count", FEWEST_PINS, MAX_PINS);

export const pinsParams = z.strictObject({
  /** The formation: as given, with this distance between edges; or the child's own, inside a marked area. */
  formation: z.discriminatedUnion("kind", [
    z.strictObject({
      kind: z.literal("given"),
      shape: z.enum(SHAPES, { error: `shape must be one of ${SHAPES.join(", ")}` }),
      count,
      gap: metres("gap", 0.01, 0.6),
    }),
    z.strictObject({
      kind: z.literal("own"),
      count,
      depth: metres("depth", 0.3, 3),
      width: metres("width", 0.3, 3),
    }),
  ]),
  pin,
  /** From the line to the nearest pin, or to the area. */
  distance,
  across,
  rolls: whole("rolls", 1, 5),
  frames: whole("frames", 1, 10),
  /** Points for each pin, and a bonus for all of them on the first roll of a frame. */
  points: whole("points", 1, 20),
  bonus: whole("bonus", 0, 50),
  /** True if pins are stood up again after every roll. */
  standUp: z.boolean(),
  /** A pin that falls untouched counts, or is stood up again at once without points. */
  untouched: z.enum(["counts", "stood"]),
  /**
   * Whether the forecast counts pins knocked over by other pins. Documents of earlier versions leave it out, and count only what the object
   * hits.
   */
  pinOnPin: z.boolean().optional(),
  /** The number of objects to roll. Null: one, fetched after every roll. */
  pieces: whole("pieces", 1, 5).nullable(),
});

export type PinsParams = z.infer<typeof pinsParams>;
