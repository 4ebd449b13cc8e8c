import type { Ask } from "../asks/ask.ts";
import { type BaseState, type Refusal, type Rules, refuse, seenAt } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import { asTheyPlay } from "../contract/people.ts";
import type { GameEvent } from "../events/events.ts";

/** A table with one clock for all of it, or none. */
export interface Timed extends BaseState {
  match: Match;
  sides: readonly (readonly number[])[];
  /** The clock waits for its start; when it began. */
  waiting: boolean;
  since: number;
  carried: number;
  last: number;
  over: boolean;
}
/** Getting ready, seconds. */
export const READY = 4;

/** How a game with one clock is stepped and asked: starting, what comes too early or after the bell, and carrying over, once for all of them. */
export function oneClock<S extends Timed>(of: {
  /** How long it runs, seconds; null: no clock. */
  limit(s: S): number | null;
  /** Nothing is under way, so that it may go on another day where no clock runs. */
  between(s: S): boolean;
  /** What the bell makes of it; `ms`: how long the clock ran. */
  bell(s: S, ms: number): S;
  step(s: S, e: GameEvent): S | Refusal;
  asks(s: S): Ask[];
  /** Who may say that it goes on another day. */
  first(s: S): number;
}): Pick<Rules<unknown, S>, "due" | "asks" | "step"> {
  const due = (s: S): number | null => {
    const limit = of.limit(s);
    return s.waiting || s.over || limit === null ? null : s.since + limit * 1000;
  };
  return {
    due,
    asks(s) {
      if (s.over) return [];
      const player = of.first(s);
      const rings = due(s);
      const carry: Ask[] =
        s.match.carry && rings === null && of.between(s) ? [{ kind: "carry", player, optional: true }] : [];
      const takes = { by: s.sides.flat(), seconds: READY, walk: 0, moving: false };
      if (s.waiting) return [{ kind: "ready", player, takes }, ...carry];
      const bell: Ask[] = rings === null ? [] : [{ kind: "bell", player, dueAt: rings }];
      return asTheyPlay(s.setup, [...of.asks(s), ...bell, ...carry]);
    },
    step(s, e) {
      if (s.over) return refuse("refused.over");
      if (e.at < s.last) return refuse("refused.earlier");
      const at = seenAt(s, e.at);
      const rings = due(s);
      if (e.kind === "carry") {
        if (!s.match.carry) return refuse("refused.noCarry");
        return rings === null && of.between(s) ? { ...at, carried: s.carried + 1 } : refuse("refused.carryBetween");
      }
      if (s.waiting) return e.kind === "ready" ? { ...at, waiting: false, since: e.at } : refuse("refused.notStarted");
      if (e.kind === "bell") {
        if (rings === null) return refuse("refused.noBell");
        if (e.at < rings) return refuse("refused.bellEarly", { seconds: Math.ceil((rings - e.at) / 1000) });
        return of.bell(at, rings - s.since);
      }
      return rings !== null && e.at > rings ? refuse("refused.afterBell") : of.step(at, e);
    },
  };
}
