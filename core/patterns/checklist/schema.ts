import { z } from "zod";
import { canToss } from "../../aim/performer.ts";
import { DOINGS } from "../../asks/ask.ts";
import { metres, whole } from "../../contract/schema.ts";
import { MAX_TASKS } from "./limits.ts";

export const item = z.strictObject({
  task: z.enum(DOINGS, { error: `task must be one of ${DOINGS.join(", ")}` }),
  times: whole("times", 1, 30),
  /** The height of the toss above the hand, metres. */
  height: metres("height", 0.2, 4),
  /** How long a balance is held. */
  seconds: whole("seconds", 2, 120),
  /** How far the object is carried. */
  metres: metres("metres", 1, 30),
});

export const checklistParams = z
  .strictObject({
    tasks: z.array(item).min(1, "a list needs at least 1 task").max(MAX_TASKS, `a list has at most ${MAX_TASKS} tasks`),
    /** Whether one tick counts a task in full, or each repetition is recorded, failures included. */
    how: z.enum(["tick", "each"], { error: "how must be tick or each" }),
    /** How often it must succeed, or how often it is attempted. */
    need: z.enum(["done", "attempts"], { error: "need must be done or attempts" }),
    order: z.enum(["free", "fixed"], { error: "order must be free or fixed" }),
    /** If true, the child stays in a marked square, and leaving it uses up the attempt. */
    square: z.boolean(),
    score: z.enum(["times", "sends", "stars"], { error: "score must be times, sends or stars" }),
  })
  .superRefine((params, ctx) => {
    for (const [i, task] of params.tasks.entries())
      if (!canToss(task.task, task.height))
        ctx.addIssue({
          code: "custom",
          path: ["tasks", i, "height"],
          message: `task ${i + 1} is impossible: a toss of ${task.height} m is too low for it. Toss higher.`,
        });
  });

export type ListItem = z.infer<typeof item>;

export type ChecklistParams = z.infer<typeof checklistParams>;
