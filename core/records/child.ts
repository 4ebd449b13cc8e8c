import { z } from "zod";
import { LONGEST_STEP, SHORTEST_STEP } from "../measures/step.ts";
import { LONGEST_SUPPORT } from "./home-limits.ts";

/** A note about one child, by a teacher or by the family. */
export const note = z.string().trim().max(LONGEST_SUPPORT, `This note can have up to ${LONGEST_SUPPORT} characters.`);

/** A child's age, whole years. */
export const age = z
  .number({ error: "The age must be a number of years." })
  .int("The age must be in whole years.")
  .min(4, "The age must be 4 or more.")
  .max(15, "The age must be 15 or less.");

/** What a teacher writes down about a child. The step is in metres; null if nobody has measured it. */
export const childFacts = z.strictObject({
  name: z.string("Give a name.").trim().min(1, "Give a name.").max(30, "The name can have up to 30 characters."),
  age,
  leftHanded: z.boolean(),
  step: z
    .number({ error: "The step length must be a number of metres." })
    .min(SHORTEST_STEP, `The step length must be ${SHORTEST_STEP} m or more.`)
    .max(LONGEST_STEP, `The step length must be ${LONGEST_STEP} m or less.`)
    .nullable(),
  support: note.optional(),
});
