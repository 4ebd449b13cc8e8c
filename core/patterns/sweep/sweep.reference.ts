import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.reference.ts";
import type { SweepParams } from "./params.ts";

/** Things lie on a floor; each belongs to whoever hit it first. */
type Lying = Map<string, object | null>;

function story(p: SweepParams, bell: number | null, floor: Lying, pointed: boolean): Story {
  const me = {};
  let sends = 0;
  let bonus = 0;
  const over = () => [...floor.values()].every((who) => who !== null);
  const mine = () => p.targets.filter((t) => floor.get(t.id) === me);
  const points = () => mine().reduce((n, t) => n + t.points, bonus);
  return {
    clock: () => (bell === null ? undefined : bell),
    rings: () => "end",
    over,
    finished: over,
    value: () => (pointed ? points() : sends),
    rank: () => (pointed ? points() : over() ? 1e8 - sends : mine().length * 1000),
    take(e) {
      if (e.kind !== "send") return "no";
      if (p.collect && p.touching === "all") {
        const lie = [...floor].filter(([, owner]) => owner === null).map(([id]) => id);
        const got = e.fell === 0 ? [] : e.fell === lie.length ? lie : e.fell;
        if (!Array.isArray(got) || new Set(got).size < got.length || got.some((id) => !lie.includes(id))) return "no";
        sends++;
        for (const id of got) floor.set(id, me);
        if (got.length > 0 && over()) bonus = p.bonus;
        return over() || sends === p.sends ? "end" : got.length > 0 ? "hit" : "miss";
      }
      if (e.hit === undefined) return "no";
      const who = e.hit === null ? undefined : floor.get(e.hit);
      if (e.hit !== null && (!floor.has(e.hit) || (who && p.collect))) return "no";
      sends++;
      const got = who === null;
      if (got) floor.set(e.hit!, me);
      if (got && over()) bonus = p.bonus;
      if (over() || sends === p.sends) return "end";
      return got ? "hit" : "miss";
    },
  };
}

/** A second, plain telling of Sweep by sends or points. It shares no code with the rules. */
export function tellSweep(p: SweepParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told {
  const one = p.heap === "shared" && setup.mode === "against";
  const heap = (): Lying => new Map(p.targets.map((t) => [t.id, null]));
  const common = heap();
  const tell = () => story(p, match.seconds, one ? common : heap(), one || p.score === "points");
  return tellMatch(tell, { match, each: false }, setup, events);
}
