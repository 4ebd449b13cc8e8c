import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { StackParams } from "./schema.ts";

/** A row on the floor: the numbers of pins that stand, and of those that may stand. */
interface Floor {
  size: number;
  up: Set<string>;
  sure: boolean;
  many: number;
  tries: number;
  rounds: number;
  wholeRows: number;
  high: number;
  lying: boolean;
  closed: boolean;
  whole: boolean;
}
const names = (count: number) => new Set(Array.from({ length: count }, (_, i) => `p${i + 1}`));
const laid = (): Floor => ({
  size: 1,
  up: names(1),
  sure: true,
  many: 1,
  tries: 0,
  rounds: 0,
  wholeRows: 0,
  high: 0,
  lying: false,
  closed: false,
  whole: false,
});

function story(
  params: StackParams,
  bell: number | null,
  floor: Floor,
  byFelled: boolean,
  relay: boolean,
  both: boolean,
): Story {
  let mine = 0;
  /** The rounds played by this side. */
  let own = 0;
  const value = () => {
    if (byFelled) return mine;
    return params.score === "rounds" ? floor.rounds : floor.wholeRows * params.full + floor.high;
  };
  const put = (count: number) => {
    floor.size = count;
    floor.up = names(count);
    floor.sure = true;
    floor.many = count;
    floor.tries = 0;
    floor.lying = true;
  };
  return {
    clock: () => (bell === null ? undefined : bell),
    rings: () => "end",
    over: () => floor.closed,
    finished: () => floor.whole,
    value,
    rank() {
      if (byFelled || params.score !== "rounds") return value();
      return floor.whole ? 1e8 - floor.rounds : floor.high * 1000;
    },
    take(event) {
      if (event.kind === "stand") {
        if (!floor.lying) return "no";
        floor.lying = false;
        return "on";
      }
      if (event.kind !== "send" || event.fell === undefined || floor.lying) return "no";
      let fell: number;
      if (typeof event.fell === "number") {
        fell = event.fell;
        if (fell > floor.many) return "no";
        if (fell > 0 && fell < floor.many) floor.sure = false;
      } else {
        fell = new Set(event.fell).size;
        if (fell !== event.fell.length || event.fell.some((id) => !floor.up.has(id))) return "no";
        if (!floor.sure && fell > 0 && fell !== floor.many) return "no";
        for (const id of event.fell) floor.up.delete(id);
      }
      mine += fell;
      floor.many -= fell;
      floor.tries++;
      const clear = floor.many === 0;
      if (!clear && floor.tries < params.sends) return relay ? (fell > 0 ? "hit" : "miss") : "on";
      floor.rounds++;
      own++;
      const used = own === params.rounds;
      if (used && !both) floor.closed = true;
      if (clear) {
        floor.high = Math.max(floor.high, floor.size);
        if (floor.size === params.full) {
          floor.whole = true;
          if (params.after === "stop") floor.closed = true;
          else {
            floor.wholeRows++;
            floor.high = 0;
            put(1);
          }
        } else put(floor.size + 1);
      } else {
        if (floor.size === 1 && params.firstEnds) floor.closed = true;
        put(floor.size > 1 ? floor.size - 1 : 1);
      }
      if (floor.closed || used) return "end";
      return clear ? "hit" : "miss";
    },
  };
}

/** Reference implementation of Stack-up. It shares no code with the rules. */
export function tellStackUp(
  params: StackParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult {
  const one = params.heap === "shared" && setup.mode === "against";
  const common = laid();
  const tell = () =>
    story(params, match.seconds, one ? common : laid(), one || params.score === "felled", setup.mode === "relay", one);
  return tellMatch(tell, { match, each: false }, setup, events);
}
