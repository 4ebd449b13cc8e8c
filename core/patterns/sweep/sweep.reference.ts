import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { SweepParams } from "./schema.ts";

/** Items lie on a floor. Each belongs to the player who hit it first. */
type Lying = Map<string, object | null>;

function story(params: SweepParams, bell: number | null, floor: Lying, pointed: boolean): Story {
  const me = {};
  let sends = 0;
  let bonus = 0;
  const over = () => [...floor.values()].every((who) => who !== null);
  const mine = () => params.targets.filter((target) => floor.get(target.id) === me);
  const points = () => mine().reduce((sum, target) => sum + target.points, bonus);
  return {
    clock: () => (bell === null ? undefined : bell),
    rings: () => "end",
    over,
    finished: over,
    value: () => (pointed ? points() : sends),
    rank: () => (pointed ? points() : over() ? 1e8 - sends : mine().length * 1000),
    take(event) {
      if (event.kind !== "send") return "no";
      if (params.collect && params.touching === "all") {
        const lie = [...floor].filter(([, owner]) => owner === null).map(([id]) => id);
        const got = event.fell === 0 ? [] : event.fell === lie.length ? lie : event.fell;
        if (!Array.isArray(got) || new Set(got).size < got.length || got.some((id) => !lie.includes(id))) return "no";
        sends++;
        for (const id of got) floor.set(id, me);
        if (got.length > 0 && over()) bonus = params.bonus;
        return over() || sends === params.sends ? "end" : got.length > 0 ? "hit" : "miss";
      }
      if (event.hit === undefined) return "no";
      const who = event.hit === null ? undefined : floor.get(event.hit);
      if (event.hit !== null && (!floor.has(event.hit) || (who && params.collect))) return "no";
      sends++;
      const got = who === null;
      if (got) floor.set(event.hit!, me);
      if (got && over()) bonus = params.bonus;
      if (over() || sends === params.sends) return "end";
      return got ? "hit" : "miss";
    },
  };
}

/** Reference implementation of Sweep. It shares no code with the rules. */
export function tellSweep(
  params: SweepParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult {
  const one = params.heap === "shared" && setup.mode === "against";
  const heap = (): Lying => new Map(params.targets.map((target) => [target.id, null]));
  const common = heap();
  const tell = () => story(params, match.seconds, one ? common : heap(), one || params.score === "points");
  return tellMatch(tell, { match, each: false }, setup, events);
}
