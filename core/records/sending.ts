import { z } from "zod";

/** How many goes count. */
export const tries = z
  .number({ error: "The number of goes must be a number." })
  .int("The number of goes must be a whole number.")
  .min(1, "At least 1 go must count.")
  .max(20, "At most 20 goes can count.");

/** Another game for children of some ages in place of this one, with the same times and goes. */
export const otherGame = z
  .strictObject({
    activityId: z.uuid("Choose the other game from your activities."),
    from: z.number("The other game needs a first age, in years.").int("The first age must be a whole number of years."),
    to: z.number("The other game needs a last age, in years.").int("The last age must be a whole number of years."),
  })
  .refine((other) => other.to >= other.from, { error: "The last age must not be below the first age.", path: ["to"] });
