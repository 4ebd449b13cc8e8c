import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.reference.ts";
import type { StreakParams } from "./params.ts";

/** Rows of strokes, one a stage; a drop wipes some out. */
function story(p: StreakParams, bell: number | null, relay: boolean): Story {
  const tallest: number[] = p.stages.map(() => 0);
  let at = 0;
  let strokes = 0;
  let furthest = 0;
  /** The tallest of each stage before the run under way. */
  let sure = [...tallest];
  let fallen = 0;
  let rung = false;
  const need = () => p.stages[at]!.count;
  const most = () => need() ?? 300;
  /** The counter moves; true where the stage is passed. */
  const reach = (n: number): boolean => {
    strokes = n;
    tallest[at] = Math.max(tallest[at]!, n);
    if (n !== need()) return false;
    at++;
    strokes = 0;
    furthest = Math.max(furthest, at);
    sure = [...tallest];
    return true;
  };
  /** Said aloud at its end: whatever was drawn of this run is rubbed out. */
  const say = (n: number): boolean => {
    tallest[at] = sure[at]!;
    return reach(n);
  };
  const fall = () => {
    fallen++;
    if (!p.stays && at > 0) {
      at--;
      strokes = 0;
    } else if (!p.stages[at]!.inAll) strokes = p.drop === "costsOne" ? Math.max(0, strokes - 1) : 0;
    else return;
    sure = [...tallest];
  };
  const over = () => at === p.stages.length || fallen === p.tries || (p.drop === "ends" && fallen > 0);
  const value = () => {
    if (p.score === "stage") return furthest;
    return p.score === "run" ? Math.max(...tallest) : tallest.reduce((a, b) => a + b);
  };
  return {
    clock: () => (bell === null ? undefined : rung ? null : bell),
    rings() {
      rung = true;
      return "on";
    },
    value,
    rank: value,
    take(e, turn) {
      if (e.kind === "total") {
        if (e.n > most()) return "no";
        if (rung) {
          say(e.n);
          return "end";
        }
        if (relay || p.stages[at]!.inAll) return "no";
        const passed = say(e.n);
        if (!passed) fall();
        if (over()) return "end";
        return passed ? "on" : "miss";
      }
      if (e.kind !== "count" || rung) return "no";
      if (!turn) {
        fall();
        return over() ? "end" : "theirs";
      }
      if (e.n > most() - strokes || (relay && e.n > 1) || (e.n === 0 && !e.drop)) return "no";
      if (e.n > 0) reach(strokes + e.n);
      if (at === p.stages.length) return "end";
      if (e.drop) fall();
      if (over()) return "end";
      if (relay) return e.drop ? "on" : "pass";
      return e.drop ? "miss" : "on";
    },
  };
}

/** A second, plain telling of Streak. It shares no code with the rules. */
export const tellStreak = (p: StreakParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told =>
  tellMatch(() => story(p, match.seconds, setup.mode === "relay"), { match, each: false }, setup, events);
