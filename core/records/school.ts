import { z } from "zod";
import { LOCALES, type Locale } from "../measures/locales.ts";

/** A named time zone that this machine knows, under any of its names. An offset such as `+01:00` is not one. */
export function isZone(zone: string): boolean {
  if (!/^[A-Za-z]/.test(zone)) return false;
  try {
    new Intl.DateTimeFormat("en", { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/** What a teacher can set for the school. */
export const schoolSettings = z.strictObject({
  name: z
    .string("Name the school.")
    .trim()
    .min(1, "Name the school.")
    .max(100, "The school's name can have up to 100 characters."),
  zone: z.string("Choose a time zone from the list.").refine(isZone, "Choose a time zone from the list."),
  locale: z.enum(Object.keys(LOCALES) as [Locale, ...Locale[]], "Choose how dates are written."),
  units: z.enum(["metres", "feet"], "Choose metres or feet."),
  /** Whether families see their child's best score, and games that have closed. */
  showsBest: z.boolean(),
  showsClosed: z.boolean(),
});
export type SchoolSettings = z.infer<typeof schoolSettings>;

export const className = z
  .string("Name the class.")
  .trim()
  .min(1, "Name the class.")
  .max(40, "The class name can have up to 40 characters.");

/** What the first administrator of a new installation types. How good the password is, the server says. */
export const firstSchool = z.object({
  school: schoolSettings.shape.name,
  zone: schoolSettings.shape.zone,
  name: z.string("Type your name.").trim().min(1, "Type your name.").max(60, "Your name can have up to 60 characters."),
  email: z
    .email("This is not an e-mail address. It should look like name@school.example.")
    .max(200, "The e-mail address can have up to 200 characters.")
    .toLowerCase(),
  password: z.string("Choose a password.").max(500, "The password can have up to 500 characters."),
  group: className,
});
