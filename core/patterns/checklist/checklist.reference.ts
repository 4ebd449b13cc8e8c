import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { ChecklistParams } from "./schema.ts";

/** A sheet of paper with one line for each task: successes and all attempts. */
function story(params: ChecklistParams, bell: number | null, relay: boolean): Story {
  const lines = params.tasks.map((task, i) => ({ id: `k${i + 1}`, want: task.times, good: 0, all: 0 }));
  let finger: (typeof lines)[number] | undefined;
  const counts = (l: (typeof lines)[number]) => (params.how === "each" && params.need === "attempts" ? l.all : l.good);
  const closed = (l: (typeof lines)[number]) => counts(l) >= l.want;
  const next = () => lines.find((line) => !closed(line));
  const good = () => lines.reduce((sum, line) => sum + line.good, 0);
  const want = () => lines.reduce((sum, line) => sum + line.want, 0);
  const value = () => {
    if (params.score === "sends") return lines.reduce((sum, line) => sum + line.all, 0);
    if (params.score === "times") return good();
    if (good() === 0) return 0;
    if (good() === want()) return 3;
    return good() * 2 < want() ? 1 : 2;
  };
  const end = (took: "hit" | "miss") => (next() ? (relay ? "pass" : took) : "end");
  return {
    clock: () => (bell === null ? undefined : bell),
    rings: () => "end",
    value,
    rank: () => (params.score !== "sends" ? value() : next() ? lines.filter(closed).length * 1000 : 1e8 - value()),
    take(event) {
      if (event.kind === "choose") {
        if (params.how === "tick" && event.of === "rest" && event.pick === "rest") return "end";
        const line = lines.find((eachLine) => eachLine.id === event.pick);
        if (!line || closed(line) || (params.order === "fixed" && line !== next())) return "no";
        if (params.how === "tick" && event.of === "tick") {
          line.good = line.want;
          return end("hit");
        }
        if (params.how !== "each" || event.of !== "task" || params.order === "fixed") return "no";
        finger = line;
        return "on";
      }
      if (event.kind !== "count" || params.how === "tick") return "no";
      const line = params.order === "fixed" ? next() : finger && !closed(finger) ? finger : undefined;
      const attempts = event.n + (event.drop ? 1 : 0);
      if (!line || attempts === 0 || (relay && attempts > 1)) return "no";
      // Nothing follows the attempt that completes the line.
      const room = line.want - counts(line);
      if (params.need === "attempts" ? attempts > room : event.n > room) return "no";
      if (event.drop && event.n === room) return "no";
      line.good += event.n;
      line.all += attempts;
      return end(event.drop ? "miss" : "hit");
    },
  };
}

/** Reference implementation of Checklist. It shares no code with the rules. */
export const tellChecklist = (
  params: ChecklistParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult =>
  tellMatch(() => story(params, match.seconds, setup.mode === "relay"), { match, each: false }, setup, events);
