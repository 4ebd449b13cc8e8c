import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.reference.ts";
import type { ChecklistParams } from "./params.ts";

/** A sheet of paper with a line a task: good ones and all attempts. */
function story(p: ChecklistParams, bell: number | null, relay: boolean): Story {
  const lines = p.tasks.map((t, i) => ({ id: `k${i + 1}`, want: t.times, good: 0, all: 0 }));
  let finger: (typeof lines)[number] | undefined;
  const counts = (l: (typeof lines)[number]) => (p.how === "each" && p.need === "attempts" ? l.all : l.good);
  const closed = (l: (typeof lines)[number]) => counts(l) >= l.want;
  const next = () => lines.find((l) => !closed(l));
  const good = () => lines.reduce((n, l) => n + l.good, 0);
  const want = () => lines.reduce((n, l) => n + l.want, 0);
  const value = () => {
    if (p.score === "sends") return lines.reduce((n, l) => n + l.all, 0);
    if (p.score === "times") return good();
    if (good() === 0) return 0;
    if (good() === want()) return 3;
    return good() * 2 < want() ? 1 : 2;
  };
  const end = (took: "hit" | "miss") => (next() ? (relay ? "pass" : took) : "end");
  return {
    clock: () => (bell === null ? undefined : bell),
    rings: () => "end",
    value,
    rank: () => (p.score !== "sends" ? value() : next() ? lines.filter(closed).length * 1000 : 1e8 - value()),
    take(e) {
      if (e.kind === "choose") {
        if (p.how === "tick" && e.of === "rest" && e.pick === "rest") return "end";
        const line = lines.find((l) => l.id === e.pick);
        if (!line || closed(line) || (p.order === "fixed" && line !== next())) return "no";
        if (p.how === "tick" && e.of === "tick") {
          line.good = line.want;
          return end("hit");
        }
        if (p.how !== "each" || e.of !== "task" || p.order === "fixed") return "no";
        finger = line;
        return "on";
      }
      if (e.kind !== "count" || p.how === "tick") return "no";
      const line = p.order === "fixed" ? next() : finger && !closed(finger) ? finger : undefined;
      const attempts = e.n + (e.drop ? 1 : 0);
      if (!line || attempts === 0 || (relay && attempts > 1)) return "no";
      // Nothing comes after the one that closes the line.
      const room = line.want - counts(line);
      if (p.need === "attempts" ? attempts > room : e.n > room) return "no";
      if (e.drop && e.n === room) return "no";
      line.good += e.n;
      line.all += attempts;
      return end(e.drop ? "miss" : "hit");
    },
  };
}

/** A second, plain telling of Checklist. It shares no code with the rules. */
export const tellChecklist = (p: ChecklistParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told =>
  tellMatch(() => story(p, match.seconds, setup.mode === "relay"), { match, each: false }, setup, events);
