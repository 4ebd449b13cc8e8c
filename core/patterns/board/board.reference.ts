import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { BoardParams } from "./schema.ts";

/** A board as a row of tallies, one for each place. If a choice must be called, the player calls it first. */
function story(params: BoardParams, bell: number | null): Story {
  const layout = params.layout;
  const prices = new Map(
    layout.kind === "targets"
      ? layout.targets.map((target) => [target.id, target.points] as const)
      : layout.spots.map((spot, i) => [`l${i + 1}`, spot.points] as const),
  );
  const tally = new Map([...prices.keys()].map((id) => [id, 0]));
  const things = layout.kind === "targets" ? [...prices.keys()] : [layout.target.id];
  const byWay = layout.kind === "targets" && params.choice === "action";
  const byThing = layout.kind === "targets" && params.choice === "thing";
  /** The objects in the basket beside the line. */
  const basket = new Set<string>(params.things);
  const mustSay = layout.kind === "spots" || params.choice === "called" || byWay || byThing;
  let called = "";
  let sends = 0;
  let score = 0;
  let house = false;
  let rung = false;
  const open = (id: string) => !(params.once && tally.get(id)! > 0);
  return {
    clock: () => (bell === null ? undefined : rung ? null : bell),
    rings() {
      rung = true;
      return params.inAir ? "on" : "end";
    },
    value: () => score,
    rank: () => score,
    take(event) {
      if (rung && event.kind === "ready") return "end";
      if (rung && event.kind !== "send") return "no";
      if (event.kind === "choose") {
        if (
          !mustSay ||
          event.of !== (byThing ? "thing" : byWay ? "action" : layout.kind === "spots" ? "spot" : "target")
        )
          return "no";
        if (event.pick === null) return "no";
        if (byThing) {
          if (!basket.has(event.pick)) return "no";
        } else if (
          byWay ? !params.ways.some((way) => way === event.pick) : !prices.has(event.pick) || !open(event.pick)
        )
          return "no";
        called = event.pick;
        return "on";
      }
      if (event.kind !== "send" || event.hit === undefined) return "no";
      if (event.hit !== null && !things.includes(event.hit)) return "no";
      if (mustSay && called === "") return "no";
      sends++;
      let where = event.hit;
      if (where !== null && layout.kind === "spots") where = called;
      if (where !== null && layout.kind === "targets" && params.choice === "called" && where !== called) where = null;
      const counts = where !== null && open(where);
      if (counts) {
        score += prices.get(where!)!;
        tally.set(where!, tally.get(where!)! + 1);
        if (!house && [...tally.values()].every((n) => n > 0)) {
          house = true;
          score += params.bonus;
        }
      }
      if (byThing && params.fetch === "end") basket.delete(called);
      called = "";
      if (byThing && basket.size === 0) return "end";
      if (rung || sends === params.sends || (params.once && house)) return "end";
      return counts ? "hit" : "miss";
    },
  };
}

/** Reference implementation of Board. It shares no code with the rules. */
export const tellBoard = (
  params: BoardParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult => tellMatch(() => story(params, match.seconds), { match, each: false }, setup, events);
