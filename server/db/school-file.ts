import { z } from "zod";
import { homeAnswers } from "#core/records/home.ts";
import { LONGEST_SUPPORT } from "#core/records/home-limits.ts";
import { isZone } from "#core/records/school.ts";
import { MIN_PASSWORD } from "../auth/password.ts";

export const schoolZone = z
  .string()
  .refine(isZone, { error: "zone must be an IANA time zone, for example Europe/London" });

/**
 * A whole school to begin with: `npm run school -- FILE`. Children have a first name and an initial. Homes are shared
 * by name.
 */
export const schoolFile = z.strictObject({
  school: z.string().min(1).max(100),
  zone: schoolZone,
  teachers: z
    .array(
      z.strictObject({
        email: z.email("email must be an e-mail address").toLowerCase(),
        name: z.string().min(1).max(60),
        password: z.string().min(MIN_PASSWORD, `password must be ${MIN_PASSWORD} letters or more`),
        classes: z.array(z.string().min(1)),
      }),
    )
    .min(1),
  homes: z.array(
    homeAnswers
      .partial({ kit: true, quiet: true, noBallsIndoors: true })
      .extend({
        label: z.string().min(1).max(60),
        /** True if the family itself answered. */
        answered: z.boolean().default(false),
      })
      .strict(),
  ),
  classes: z
    .array(
      z.strictObject({
        name: z.string().min(1).max(40),
        children: z
          .array(
            z.strictObject({
              name: z.string().min(1).max(30),
              age: z.number().int().min(4).max(15),
              leftHanded: z.boolean(),
              homes: z.array(z.string()),
              support: z.string().max(LONGEST_SUPPORT).default(""),
            }),
          )
          .max(60),
      }),
    )
    .min(1),
});
export type SchoolFile = z.input<typeof schoolFile>;
