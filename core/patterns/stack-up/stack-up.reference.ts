import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type Story, type Told, tellMatch } from "../match.reference.ts";
import type { StackParams } from "./params.ts";

/** A row on the floor: pin numbers that are up, and those that may be. */
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
const names = (n: number) => new Set(Array.from({ length: n }, (_, i) => `p${i + 1}`));
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

function story(p: StackParams, bell: number | null, f: Floor, byFelled: boolean, relay: boolean, both: boolean): Story {
  let mine = 0;
  /** Rounds played by this side. */
  let own = 0;
  const value = () => {
    if (byFelled) return mine;
    return p.score === "rounds" ? f.rounds : f.wholeRows * p.full + f.high;
  };
  const put = (n: number) => {
    f.size = n;
    f.up = names(n);
    f.sure = true;
    f.many = n;
    f.tries = 0;
    f.lying = true;
  };
  return {
    clock: () => (bell === null ? undefined : bell),
    rings: () => "end",
    over: () => f.closed,
    finished: () => f.whole,
    value,
    rank() {
      if (byFelled || p.score !== "rounds") return value();
      return f.whole ? 1e8 - f.rounds : f.high * 1000;
    },
    take(e) {
      if (e.kind === "stand") {
        if (!f.lying) return "no";
        f.lying = false;
        return "on";
      }
      if (e.kind !== "send" || e.fell === undefined || f.lying) return "no";
      let fell: number;
      if (typeof e.fell === "number") {
        fell = e.fell;
        if (fell > f.many) return "no";
        if (fell > 0 && fell < f.many) f.sure = false;
      } else {
        fell = new Set(e.fell).size;
        if (fell !== e.fell.length || e.fell.some((id) => !f.up.has(id))) return "no";
        if (!f.sure && fell > 0 && fell !== f.many) return "no";
        for (const id of e.fell) f.up.delete(id);
      }
      mine += fell;
      f.many -= fell;
      f.tries++;
      const clear = f.many === 0;
      if (!clear && f.tries < p.sends) return relay ? (fell > 0 ? "hit" : "miss") : "on";
      f.rounds++;
      own++;
      const used = own === p.rounds;
      if (used && !both) f.closed = true;
      if (clear) {
        f.high = Math.max(f.high, f.size);
        if (f.size === p.full) {
          f.whole = true;
          if (p.after === "stop") f.closed = true;
          else {
            f.wholeRows++;
            f.high = 0;
            put(1);
          }
        } else put(f.size + 1);
      } else {
        if (f.size === 1 && p.firstEnds) f.closed = true;
        put(f.size > 1 ? f.size - 1 : 1);
      }
      if (f.closed || used) return "end";
      return clear ? "hit" : "miss";
    },
  };
}

/** A second, plain telling of Stack-up by rounds, the row or pins felled. It shares no code with the rules. */
export function tellStackUp(p: StackParams, match: Match, setup: Setup, events: readonly GameEvent[]): Told {
  const one = p.heap === "shared" && setup.mode === "against";
  const common = laid();
  const tell = () =>
    story(p, match.seconds, one ? common : laid(), one || p.score === "felled", setup.mode === "relay", one);
  return tellMatch(tell, { match, each: false }, setup, events);
}
