import { z } from "zod";
import { GATES } from "../../asks/ask.ts";
import { metres, whole } from "../../contract/schema.ts";
import { MAX_ROUNDS, TASKS } from "./limits.ts";

export const round = z.strictObject({
  task: z.enum(TASKS, { error: `task must be one of ${TASKS.join(", ")}` }),
  seconds: whole("seconds", 10, 300),
  /** Rest before the next one, in seconds. */
  rest: whole("rest", 0, 120),
  hand: z.enum(["usual", "other", "alternate"]),
  /** If true, the child keeps moving. */
  moving: z.boolean(),
  /** One bounce on the floor is allowed between two touches. */
  bounce: z.boolean(),
  /** For an exercise: its name, and how long one repetition takes, in seconds. */
  exercise: z.string().trim().max(40, "exercise must be 40 letters or fewer").optional(),
  each: z
    .number({ error: "each must be a number of seconds" })
    .min(0.2, "each must be 0.2 s or more")
    .max(30, "each must be 30 s or less")
    .optional(),
});

export const tallyParams = z.strictObject({
  rounds: z.array(round).min(1, "at least 1 round").max(MAX_ROUNDS, `at most ${MAX_ROUNDS} rounds`),
  /** Whether all rounds count, or only the best. */
  keep: z.enum(["sum", "best"]),
  /** If true, an object in the air at the bell counts when it lands. */
  inAir: z.boolean(),
  /** For throws off a wall: the action, the distance of the line from the wall, and the distance and size of the mark on the floor. */
  wall: z.strictObject({
    action: z.enum(["underarmThrow", "overarmThrow", "pushThrow"], {
      error: "action must be one of underarmThrow, overarmThrow, pushThrow",
    }),
    distance: metres("distance", 0.8, 8),
    landing: metres("landing", 0.2, 4),
    size: metres("size", 0.1, 1.5),
    item: z.string().min(1).max(40),
  }),
  /** For a shuttle: two items and the distance between them. */
  shuttle: z
    .strictObject({
      action: z.enum(["underarmRoll", "underarmThrow", "overarmThrow", "kick"], {
        error: "action must be one of underarmRoll, underarmThrow, overarmThrow, kick",
      }),
      distance: metres("distance", 1, 12),
      item: z.string().min(1).max(40),
      width: metres("width", 0.05, 1),
      height: metres("height", 0.05, 1),
    })
    .optional(),
  /** A course for a ball that is pushed: its gates in order, and what a miss repeats. */
  course: z
    .strictObject({
      action: z.enum(["dribbleFoot", "dribbleStick"], { error: "action must be dribbleFoot or dribbleStick" }),
      gates: z
        .array(
          z.strictObject({
            kind: z.enum(GATES, { error: `kind must be one of ${GATES.join(", ")}` }),
            metres: metres("metres", 0.5, 20),
          }),
        )
        .min(1, "a course needs at least 1 gate")
        .max(6, "a course has at most 6 gates"),
      miss: z.enum(["gate", "lap"], { error: "miss must be gate or lap" }),
    })
    .optional(),
});

export type Round = z.infer<typeof round>;

export type TallyParams = z.infer<typeof tallyParams>;
