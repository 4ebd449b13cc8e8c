import { z } from "zod";
import { across, distance, metres, weight } from "../contract/schema.ts";

const inner = (name: string) => metres(name, 0.01, 3);

/** One thing to send at: where it stands before the line, how big it is, and what counts as a hit. */
export const target = z.strictObject({
  id: z.string().min(1).max(40),
  /** The id of a household item; see the catalogue. */
  item: z.string().min(1).max(40),
  /** Its name on the card; empty for the item's own name. */
  label: z.string().max(30, "label must be 30 letters or fewer"),
  distance,
  /** To the player's right of the middle, metres. */
  across,
  width: metres("width", 0.02, 3),
  height: metres("height", 0.01, 3),
  /** What counts as a hit. Any of these is enough. */
  counts: z
    .array(
      z.enum(["touch", "into", "through", "topple"], { error: "counts must be among touch, into, through, topple" }),
    )
    .min(1, "counts must name at least one of touch, into, through, topple")
    .max(4),
  /**
   * For `into`, the diameter of the opening, or the width of a rectangular one. `gap` is the same for `through`. By default, the width less
   * the walls.
   */
  opening: inner("opening").optional(),
  /** The other side of a rectangular opening. */
  openingDepth: inner("openingDepth").optional(),
  /** Whether it lies on its side with its mouth towards the player. By default it stands, but it lies if something is rolled into it. */
  lies: z.boolean({ error: "lies must be true or false" }).optional(),
  /** How far its opening is turned away from the player, degrees. */
  turn: z
    .number({ error: "turn must be a number of degrees" })
    .min(-80, "turn must be -80 or more")
    .max(80, "turn must be 80 or less")
    .optional(),
  gap: inner("gap").optional(),
  /** For topple: mass empty, contents when full (kilograms), and how full, 0 to 1. */
  weight: weight.optional(),
});

export type Target = z.infer<typeof target>;
