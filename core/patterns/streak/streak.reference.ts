import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { StreakParams } from "./schema.ts";

/** Rows of strokes, one for each stage. A drop wipes some out. */
function story(params: StreakParams, bell: number | null, relay: boolean): Story {
  const tallest: number[] = params.stages.map(() => 0);
  let at = 0;
  let strokes = 0;
  let furthest = 0;
  /** The tallest row of each stage before the present run. */
  let sure = [...tallest];
  let fallen = 0;
  let rung = false;
  const need = () => params.stages[at]!.count;
  const most = () => need() ?? 300;
  /** Moves the counter. True if the stage is passed. */
  const reach = (count: number): boolean => {
    strokes = count;
    tallest[at] = Math.max(tallest[at]!, count);
    if (count !== need()) return false;
    at++;
    strokes = 0;
    furthest = Math.max(furthest, at);
    sure = [...tallest];
    return true;
  };
  /** The number is called out at the end, and whatever was drawn of this run is wiped out. */
  const say = (count: number): boolean => {
    tallest[at] = sure[at]!;
    return reach(count);
  };
  const fall = () => {
    fallen++;
    if (!params.stays && at > 0) {
      at--;
      strokes = 0;
    } else if (!params.stages[at]!.inAll) strokes = params.drop === "costsOne" ? Math.max(0, strokes - 1) : 0;
    else return;
    sure = [...tallest];
  };
  const over = () => at === params.stages.length || fallen === params.tries || (params.drop === "ends" && fallen > 0);
  const value = () => {
    if (params.score === "stage") return furthest;
    return params.score === "run" ? Math.max(...tallest) : tallest.reduce((sum, b) => sum + b);
  };
  return {
    clock: () => (bell === null ? undefined : rung ? null : bell),
    rings() {
      rung = true;
      return "on";
    },
    value,
    rank: value,
    take(event, turn) {
      if (event.kind === "total") {
        if (event.n > most()) return "no";
        if (rung) {
          say(event.n);
          return "end";
        }
        if (relay || params.stages[at]!.inAll) return "no";
        const passed = say(event.n);
        if (!passed) fall();
        if (over()) return "end";
        return passed ? "on" : "miss";
      }
      if (event.kind !== "count" || rung) return "no";
      if (!turn) {
        fall();
        return over() ? "end" : "theirs";
      }
      if (event.n > most() - strokes || (relay && event.n > 1) || (event.n === 0 && !event.drop)) return "no";
      if (event.n > 0) reach(strokes + event.n);
      if (at === params.stages.length) return "end";
      if (event.drop) fall();
      if (over()) return "end";
      if (relay) return event.drop ? "on" : "pass";
      return event.drop ? "miss" : "on";
    },
  };
}

/** Reference implementation of Streak. It shares no code with the rules. */
export const tellStreak = (
  params: StreakParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult =>
  tellMatch(() => story(params, match.seconds, setup.mode === "relay"), { match, each: false }, setup, events);
