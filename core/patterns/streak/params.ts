import { z } from "zod";
import { canToss } from "../../aim/performer.ts";
import type { Aim, Doing, Manner } from "../../asks/ask.ts";
import { metres, whole } from "../../contract/schema.ts";
import { thingRole } from "../../targets/ways.ts";

export const MAX_STAGES = 8;
export const MAX_RUN = 300;
export const TASKS = ["touch", "catch", "clap", "touchFloor", "turn", "balance", "carry"] as const;
/** What of a thing is thrown up. */
export const isTossed = (task: (typeof TASKS)[number]): boolean =>
  task !== "touch" && task !== "balance" && task !== "carry";
/** A step with something in the hand, metres: an assumption. */
const STEP = 0.5;
export const stage = z.strictObject({
  /** Touches that keep a thing up; or tossed, and caught after something else; or seconds held still, or steps carried. */
  task: z.enum(TASKS, { error: `task must be one of ${TASKS.join(", ")}` }),
  /** In a row to pass it; null: as many as there are, to the end. */
  count: whole("count", 1, 100).nullable(),
  /** So many in all instead: a drop takes none away. */
  inAll: z.boolean(),
  hand: z.enum(["usual", "other", "alternate", "both"], { error: "hand must be usual, other, alternate or both" }),
  posture: z.enum(["standing", "kneeling", "sitting"], { error: "posture must be standing, kneeling or sitting" }),
  moving: z.boolean(),
  /** One bounce on the floor is allowed between two touches. */
  bounce: z.boolean(),
  /** With what. */
  thing: thingRole.default("send"),
  /** How high it is tossed above the hand, metres. */
  height: metres("height", 0.2, 4),
});
export type Stage = z.infer<typeof stage>;

export const streakParams = z
  .strictObject({
    stages: z.array(stage).min(1, "at least 1 stage").max(MAX_STAGES, `at most ${MAX_STAGES} stages`),
    /** What a drop does to the run. */
    drop: z.enum(["resets", "costsOne", "ends"], { error: "drop must be resets, costsOne or ends" }),
    /** Drops after which it is over; null: no such limit. */
    tries: whole("tries", 1, 60).nullable(),
    /** A stage that was passed stays passed; where not, a drop goes back to the start of the stage before. */
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
export type StreakParams = z.infer<typeof streakParams>;

function doingOf({ task, height }: Stage): Doing | null {
  if (task === "touch") return null;
  return task === "balance"
    ? { id: task, seconds: 1 }
    : task === "carry"
      ? { id: task, metres: STEP }
      : { id: task, height };
}
/** One more of a run: a touch, a catch, a second, a step. */
export function aimOf(givenTask: Stage): Aim {
  const task = doingOf(givenTask);
  return task === null ? { kind: "keep" } : { kind: "skill", task };
}
/** How a stage's task is done. */
export const mannerOf = (task: Stage): Manner => ({
  action: task.task === "touch" ? "keepUp" : isTossed(task.task) ? "tossCatch" : (task.task as "balance" | "carry"),
  ...(task.hand !== "usual" && { hand: task.hand }),
  ...(task.posture !== "standing" && { posture: task.posture }),
  ...(task.moving && { moving: true }),
  ...(task.bounce && { bounce: true }),
  ...(task.thing !== undefined && task.thing !== "send" && { thing: task.thing }),
});
