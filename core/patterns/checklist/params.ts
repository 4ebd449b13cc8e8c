import type { Doing } from "../../asks/ask.ts";
import type { ChecklistParams, ListItem } from "./schema.ts";

export const taskId = (i: number) => `k${i + 1}`;
export const doingOf = (task: ListItem): Doing =>
  task.task === "balance"
    ? { id: task.task, seconds: task.seconds }
    : task.task === "carry"
      ? { id: task.task, metres: task.metres }
      : { id: task.task, height: task.height };
/** The number of repetitions of all tasks together. */
export const allTimes = (params: ChecklistParams): number => params.tasks.reduce((sum, task) => sum + task.times, 0);
/** One star for any success, two for half of them, three for all. */
export const starsFor = (done: number, all: number): number =>
  done === 0 ? 0 : done === all ? 3 : 2 * done >= all ? 2 : 1;
