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
  limit(state: S): number | null;
  /** Nothing is under way, so that it may go on another day where no clock runs. */
  between(state: S): boolean;
  /** What the bell makes of it; `ms`: how long the clock ran. */
  bell(state: S, ms: number): S;
  step(state: S, event: GameEvent): S | Refusal;
  asks(state: S): Ask[];
  /** Who may say that it goes on another day. */
  first(state: S): number;
}): Pick<Rules<unknown, S>, "due" | "asks" | "step"> {
  const due = (state: S): number | null => {
    const limit = of.limit(state);
    return state.waiting || state.over || limit === null ? null : state.since + limit * 1000;
  };
  return {
    due,
    asks(state) {
      if (state.over) return [];
      const player = of.first(state);
      const rings = due(state);
      const carry: Ask[] =
        state.match.carry && rings === null && of.between(state) ? [{ kind: "carry", player, optional: true }] : [];
      const takes = { by: state.sides.flat(), seconds: READY, walk: 0, moving: false };
      if (state.waiting) return [{ kind: "ready", player, takes }, ...carry];
      const bell: Ask[] = rings === null ? [] : [{ kind: "bell", player, dueAt: rings }];
      return asTheyPlay(state.setup, [...of.asks(state), ...bell, ...carry]);
    },
    step(state, event) {
      if (state.over) return refuse("refused.over");
      if (event.at < state.last) return refuse("refused.earlier");
      const at = seenAt(state, event.at);
      const rings = due(state);
      if (event.kind === "carry") {
        if (!state.match.carry) return refuse("refused.noCarry");
        return rings === null && of.between(state)
          ? { ...at, carried: state.carried + 1 }
          : refuse("refused.carryBetween");
      }
      if (state.waiting)
        return event.kind === "ready" ? { ...at, waiting: false, since: event.at } : refuse("refused.notStarted");
      if (event.kind === "bell") {
        if (rings === null) return refuse("refused.noBell");
        if (event.at < rings) return refuse("refused.bellEarly", { seconds: Math.ceil((rings - event.at) / 1000) });
        return of.bell(at, rings - state.since);
      }
      return rings !== null && event.at > rings ? refuse("refused.afterBell") : of.step(at, event);
    },
  };
}
