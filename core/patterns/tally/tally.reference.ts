import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.reference.ts";
import type { TallyParams } from "./params.ts";

/** A second, plain telling of Tally: a slip of paper for each round, with strokes on it until it is signed. It shares no code with the rules. */
function story(p: TallyParams): Story {
  const slips: { strokes: number; rung: boolean; late: boolean; signed: number | null }[] = [];
  const fresh = () => ({ strokes: 0, rung: false, late: false, signed: null });
  slips.push(fresh());
  const open = () => slips[slips.length - 1]!;
  const most = () => p.rounds[slips.length - 1]!.seconds * 4;
  const worth = () => {
    const all = slips.map((s) => s.signed ?? s.strokes);
    return p.keep === "sum" ? all.reduce((a, b) => a + b, 0) : Math.max(...all);
  };
  return {
    clock: () => (open().rung ? null : p.rounds[slips.length - 1]!.seconds),
    rings() {
      open().rung = true;
      return "on";
    },
    value: worth,
    rank: worth,
    take(e) {
      const s = open();
      if (e.kind === "count") {
        if (s.strokes + e.n > most()) return "no";
        if (s.rung) {
          if (!p.inAir || s.late || e.n > 1) return "no";
          s.late = true;
        }
        s.strokes += e.n;
        return "on";
      }
      if (e.kind !== "total" || !s.rung || e.n > most()) return "no";
      s.signed = e.n;
      if (slips.length === p.rounds.length) return "end";
      slips.push(fresh());
      return "part";
    },
  };
}

export const tellTally = (p: TallyParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told =>
  tellMatch(() => story(p), { match, each: true }, setup, events);
