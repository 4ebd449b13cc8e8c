import { z } from "zod";

/** A whole number between two bounds, with a message for everything that may be wrong. */
export const whole = (name: string, least: number, most: number) =>
  z
    .number({ error: `${name} must be a whole number from ${least} to ${most}` })
    .int(`${name} must be a whole number`)
    .min(least, `${name} must be ${least} or more`)
    .max(most, `${name} must be ${most} or less`);

/** A length in metres between two bounds. */
export const metres = (name: string, least: number, most: number) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(least, `${name} must be ${least} m or more`)
    .max(most, `${name} must be ${most} m or less`);

/** From the line to the target. */
export const distance = metres("distance", 0.3, 30);
/** To the right of the middle, as the player sees it. */
export const across = metres("across", -10, 10);
/** The weight of an item that may fall: empty, its contents when full (kilograms), and how full it is, 0 to 1. */
export const weight = z.strictObject({
  mass: z.number({ error: "mass must be a number of kilograms" }).min(0.001).max(80),
  contents: z.number().min(0).max(80),
  filling: z.number().min(0, "filling must be 0 to 1").max(1, "filling must be 0 to 1"),
});
