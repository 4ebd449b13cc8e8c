import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.reference.ts";
import type { BoardParams } from "./params.ts";

/** A board as a row of tallies, one a place; whoever plays says where it goes before, if it must be said. */
function story(p: BoardParams, bell: number | null): Story {
  const l = p.layout;
  const prices = new Map(
    l.kind === "targets"
      ? l.targets.map((t) => [t.id, t.points] as const)
      : l.spots.map((s, i) => [`l${i + 1}`, s.points] as const),
  );
  const tally = new Map([...prices.keys()].map((id) => [id, 0]));
  const things = l.kind === "targets" ? [...prices.keys()] : [l.target.id];
  const byWay = l.kind === "targets" && p.choice === "action";
  const byThing = l.kind === "targets" && p.choice === "thing";
  /** What is in the basket beside the line. */
  const basket = new Set<string>(p.things);
  const mustSay = l.kind === "spots" || p.choice === "called" || byWay || byThing;
  let said = "";
  let sends = 0;
  let score = 0;
  let house = false;
  let rung = false;
  const open = (id: string) => !(p.once && tally.get(id)! > 0);
  return {
    clock: () => (bell === null ? undefined : rung ? null : bell),
    rings() {
      rung = true;
      return p.inAir ? "on" : "end";
    },
    value: () => score,
    rank: () => score,
    take(e) {
      if (rung && e.kind === "ready") return "end";
      if (rung && e.kind !== "send") return "no";
      if (e.kind === "choose") {
        if (!mustSay || e.of !== (byThing ? "thing" : byWay ? "action" : l.kind === "spots" ? "spot" : "target"))
          return "no";
        if (e.pick === null) return "no";
        if (byThing) {
          if (!basket.has(e.pick)) return "no";
        } else if (byWay ? !p.ways.some((w) => w === e.pick) : !prices.has(e.pick) || !open(e.pick)) return "no";
        said = e.pick;
        return "on";
      }
      if (e.kind !== "send" || e.hit === undefined) return "no";
      if (e.hit !== null && !things.includes(e.hit)) return "no";
      if (mustSay && said === "") return "no";
      sends++;
      let where = e.hit;
      if (where !== null && l.kind === "spots") where = said;
      if (where !== null && l.kind === "targets" && p.choice === "called" && where !== said) where = null;
      const counts = where !== null && open(where);
      if (counts) {
        score += prices.get(where!)!;
        tally.set(where!, tally.get(where!)! + 1);
        if (!house && [...tally.values()].every((n) => n > 0)) {
          house = true;
          score += p.bonus;
        }
      }
      if (byThing && p.fetch === "end") basket.delete(said);
      said = "";
      if (byThing && basket.size === 0) return "end";
      if (rung || sends === p.sends || (p.once && house)) return "end";
      return counts ? "hit" : "miss";
    },
  };
}

/** A second, plain telling of Board. It shares no code with the rules. */
export const tellBoard = (p: BoardParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told =>
  tellMatch(() => story(p, match.seconds), { match, each: false }, setup, events);
