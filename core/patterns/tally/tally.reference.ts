import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { TallyParams } from "./schema.ts";

/**
 * A second, simple implementation of Tally: a slip of paper for each round, with strokes on it until it is signed. It
 * shares no code with the rules.
 */
function story(params: TallyParams): Story {
  const slips: { strokes: number; rung: boolean; late: boolean; signed: number | null }[] = [];
  const fresh = () => ({ strokes: 0, rung: false, late: false, signed: null });
  slips.push(fresh());
  const open = () => slips[slips.length - 1]!;
  const most = () => params.rounds[slips.length - 1]!.seconds * 4;
  const worth = () => {
    const all = slips.map((slip) => slip.signed ?? slip.strokes);
    return params.keep === "sum" ? all.reduce((sum, b) => sum + b, 0) : Math.max(...all);
  };
  return {
    clock: () => (open().rung ? null : params.rounds[slips.length - 1]!.seconds),
    rings() {
      open().rung = true;
      return "on";
    },
    value: worth,
    rank: worth,
    take(event) {
      const s = open();
      if (event.kind === "count") {
        if (s.strokes + event.n > most()) return "no";
        if (s.rung) {
          if (!params.inAir || s.late || event.n > 1) return "no";
          s.late = true;
        }
        s.strokes += event.n;
        return "on";
      }
      if (event.kind !== "total" || !s.rung || event.n > most()) return "no";
      s.signed = event.n;
      if (slips.length === params.rounds.length) return "end";
      slips.push(fresh());
      return "part";
    },
  };
}

export const tellTally = (
  params: TallyParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult => tellMatch(() => story(params), { match, each: true }, setup, events);
