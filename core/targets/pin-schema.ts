import { z } from "zod";
import { metres, weight } from "../contract/schema.ts";

export const DOWNS = ["lying", "leaning", "moved", "top"] as const;

/**
 * A pin. Whether it falls follows from its weight (kilograms; contents when full; how full, 0 to 1). Without a
 * weight, any touch knocks it down.
 */
export const pin = z.strictObject({
  item: z.string().min(1).max(40),
  width: metres("width", 0.02, 0.5),
  height: metres("height", 0.02, 1.5),
  weight: weight.optional(),
  /**
   * What counts as down: it lies; it lies or leans; it was moved off its spot; or, if it is made of several items,
   * the top one fell. Whatever is touched has moved, and whatever leans counts as fallen: assumptions.
   */
  down: z.enum(DOWNS, { error: `down must be one of ${DOWNS.join(", ")}` }).default("lying"),
});

export type Pin = z.infer<typeof pin>;
