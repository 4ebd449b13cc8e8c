import { z } from "zod";
import { metres, weight } from "../contract/schema.ts";

export const DOWNS = ["lying", "leaning", "moved", "top"] as const;

/**
 * A pin. Whether it falls follows from its weight (kilograms; contents when full; how full, 0 to 1). Without a weight, any touch knocks it
 * down.
 */
export const pin = z.strictObject({
  item: z.string().min(1).max(40),
  width: metres("width", 0.02, 0.5),
  height: metres("height", 0.02, 1.5),
  weight: weight.optional(),
  /**
   * What down is: it lies; it lies or leans; it was moved off its spot; or, where one is made of several, its top piece fell. Whatever is
   * touched has moved, and whatever leans has as good as fallen: assumptions.
   */
  down: z.enum(DOWNS, { error: `down must be one of ${DOWNS.join(", ")}` }).default("lying"),
});

export type Pin = z.infer<typeof pin>;
