import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { PassParams } from "./schema.ts";

/** Pegs in a strip of wood, one for each mark, with the number of clean passes at each. */
function story(params: PassParams, bell: number | null, relay: boolean): Story {
  let here = 1;
  let holes = 0;
  let total = 0;
  let top = 0;
  let sends = 0;
  const value = () => (params.score === "marks" ? top : total);
  const word = (event: Extract<GameEvent, { kind: "send" }>) => {
    if (params.way.kind !== "container") return event.rest === `m${here}` ? "good" : event.rest;
    if (event.hit === null) return "over";
    return event.hit === `m${here}` ? "good" : undefined;
  };
  return {
    clock: () => (bell === null ? undefined : bell),
    rings: () => "end",
    value,
    rank: value,
    take(event, turn) {
      if (event.kind !== "send") return "no";
      const heard = word(event);
      const known = ["good", "over", ...(params.way.kind === "chase" ? ["short"] : [])];
      if (heard === undefined || !known.includes(heard)) return "no";
      const was = here;
      sends++;
      const came = turn ? heard : "over";
      if (came === "good") {
        total++;
        holes++;
        if (holes === params.passes) {
          top = Math.max(top, here);
          here++;
          holes = 0;
        }
      } else if (came === "over" && params.drop !== "stay") {
        holes = 0;
        if (params.drop === "back" && here > 1) here--;
      }
      if (here > params.marks.length || sends === params.sends) return "end";
      if (relay) return here === was ? "on" : "pass";
      return came === "good" ? "hit" : "miss";
    },
  };
}

/** A second, simple implementation of the pass ladder. It shares no code with the rules. */
export const tellPassLadder = (
  params: PassParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult =>
  tellMatch(() => story(params, match.seconds, setup.mode === "relay"), { match, each: false }, setup, events);
