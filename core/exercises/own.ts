import { z } from "zod";
import { EXERCISE_CAUTIONS, KINDS } from "./library.ts";

/** The most exercises that a school can have of its own, and that one activity can use. */
export const MAX_OWN_EXERCISES = 100;
export const MAX_IN_ACTIVITY = 20;
const MAX_DOSE = 120;

const words = (name: string, least: number, most: number) =>
  z
    .string({ error: ({ input }) => (input === undefined ? `${name} must not be empty` : `${name} must be text`) })
    .trim()
    .min(least, `${name} must not be empty`)
    .max(most, `${name} must be ${most} letters or fewer`);
const dose = (who: string) =>
  z
    .number({ error: `the amount for ${who} must be a whole number from 0 to ${MAX_DOSE}` })
    .int(`the amount for ${who} must be a whole number`)
    .min(0, `the amount for ${who} must be 0 or more`)
    .max(MAX_DOSE, `the amount for ${who} must be ${MAX_DOSE} or less`);
const angle = z.number().min(-180).max(180);
const pose = z.tuple([angle, angle, angle, angle, angle, angle, angle, angle, angle]);

/** A school's own exercise, in the shape of the library's. It may use the drawing of one of those. */
export const ownExercise = z.strictObject({
  id: z.string().regex(/^own[A-Z][A-Za-z0-9]{0,36}$/, "id must start with own, and contain only letters and digits"),
  name: words("name", 1, 40),
  kind: z.enum(KINDS, { error: `kind must be one of ${KINDS.join(", ")}` }),
  dose: z
    .tuple([dose("the youngest"), dose("the middle"), dose("the oldest")])
    .refine((d) => d.some((n) => n > 0), "the amount must be more than 0 for at least one age"),
  unit: z.enum(["times", "seconds"], { error: "unit must be times or seconds" }),
  each: z
    .number({ error: "“seconds for one” must be a number" })
    .min(0.2, "“seconds for one” must be 0.2 or more")
    .max(30, "“seconds for one” must be 30 or less"),
  trains: words("what it trains", 0, 60),
  cues: z.tuple([words("cue 1", 1, 60), words("cue 2", 0, 60), words("cue 3", 0, 60)]),
  easier: words("easier", 0, 60),
  harder: words("harder", 0, 60),
  seated: words("seated", 0, 60),
  caution: z.enum(EXERCISE_CAUTIONS, { error: `caution must be one of ${EXERCISE_CAUTIONS.join(", ")}` }).nullable(),
  room: z.number({ error: "room must be a number of metres" }).min(0.5, "room must be 0.5 m or more").max(10),
  quiet: z.boolean(),
  thing: words("thing", 0, 40).nullable(),
  poses: z.tuple([pose, pose]),
});
export type OwnExercise = z.infer<typeof ownExercise>;
