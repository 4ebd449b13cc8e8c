import { z } from "zod";
import { canToss } from "../../aim/performer.ts";
import { metres, whole } from "../../contract/schema.ts";
import { objectRole } from "../../targets/ways-schema.ts";
import { MAX_STAGES, TASKS } from "./limits.ts";

export const stage = z.strictObject({
  /** What is counted: touches that keep an object up, catches after a task, seconds of balance, or steps of carrying. */
  task: z.enum(TASKS, { error: `task must be one of ${TASKS.join(", ")}` }),
  /** How many in a row pass the stage; null for no end. */
  count: whole("count", 1, 100).nullable(),
  /** A total to reach instead of a run. A drop takes nothing away. */
  inAll: z.boolean(),
  hand: z.enum(["usual", "other", "alternate", "both"], { error: "hand must be usual, other, alternate or both" }),
  posture: z.enum(["standing", "kneeling", "sitting"], { error: "posture must be standing, kneeling or sitting" }),
  moving: z.boolean(),
  /** One bounce on the floor is allowed between two touches. */
  bounce: z.boolean(),
  /** The object. */
  thing: objectRole.default("send"),
  /** How high it is tossed above the hand, metres. */
  height: metres("height", 0.2, 4),
});

export const streakParams = z
  .strictObject({
    stages: z.array(stage).min(1, "at least 1 stage").max(MAX_STAGES, `at most ${MAX_STAGES} stages`),
    /** What a drop does to the run. */
    drop: z.enum(["resets", "costsOne", "ends"], { error: "drop must be resets, costsOne or ends" }),
    /** Drops after which the go ends; null for no limit. */
    tries: whole("tries", 1, 60).nullable(),
    /** If true, a passed stage stays passed. Otherwise a drop leads back to the start of the stage before. */
    stays: z.boolean(),
    score: z.enum(["run", "stage", "sum"], { error: "score must be run, stage or sum" }),
  })
  .superRefine((params, ctx) => {
    const wrong = (i: number, field: string, message: string) =>
      ctx.addIssue({ code: "custom", path: ["stages", i, field], message });
    for (const [i, task] of params.stages.entries()) {
      if (task.count === null && i < params.stages.length - 1)
        wrong(i, "count", `stage ${i + 1} needs a number from 1 to 100, because another stage follows it`);
      if (task.task !== "touch" && !canToss(task.task, task.height))
        wrong(i, "height", `stage ${i + 1} is impossible: a toss of ${task.height} m is too low for it. Toss higher.`);
    }
  });

export type Stage = z.infer<typeof stage>;

export type StreakParams = z.infer<typeof streakParams>;
