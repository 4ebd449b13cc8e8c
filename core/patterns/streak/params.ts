import type { Aim, Doing, Manner } from "../../asks/ask.ts";
import type { TASKS } from "./limits.ts";
import type { Stage } from "./schema.ts";
/** True if the object is tossed up. */
export const isTossed = (task: (typeof TASKS)[number]): boolean =>
  task !== "touch" && task !== "balance" && task !== "carry";
/** The length of a step with something in the hand, metres: an assumption. */
const STEP = 0.5;

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
/** The manner of a stage's task. */
export const mannerOf = (task: Stage): Manner => ({
  action: task.task === "touch" ? "keepUp" : isTossed(task.task) ? "tossCatch" : (task.task as "balance" | "carry"),
  ...(task.hand !== "usual" && { hand: task.hand }),
  ...(task.posture !== "standing" && { posture: task.posture }),
  ...(task.moving && { moving: true }),
  ...(task.bounce && { bounce: true }),
  ...(task.thing !== undefined && task.thing !== "send" && { thing: task.thing }),
});
