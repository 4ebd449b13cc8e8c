import type { Ask } from "../asks/ask.ts";
import { type Refusal, type Rules, type Setup, seenAt } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import { asTheyPlay, whoPlays } from "../contract/people.ts";
import type { GameEvent } from "../events/events.ts";
import { clocked, READY, type Ticking, unstarted } from "./clock.ts";
import { twoSides } from "./two-sides.ts";

/** A game with one clock for everybody, or none. */
export interface Timed extends Ticking {
  sides: readonly (readonly number[])[];
}

/**
 * Returns the first state of a game that all sides share: two sides against each other or one together, with the clock waiting if there is
 * one.
 */
export const tableAt = (match: Match, setup: Setup, waiting = match.seconds !== null): Timed => ({
  setup,
  match,
  sides: setup.mode === "against" ? twoSides(setup) : [whoPlays(setup)],
  ...unstarted(waiting),
});

/**
 * The steps and asks that all games with one clock have in common: starting, events that come too early or after the
 * bell, and carrying over.
 */
export function oneClock<S extends Timed>(of: {
  /** How long it runs, seconds. Null: there is no clock. */
  limit(state: S): number | null;
  /** True if nothing is in progress, so that a game without a running clock may go on another day. */
  between(state: S): boolean;
  /** The state after the bell. `ms`: how long the clock ran. */
  bell(state: S, ms: number): S;
  step(state: S, event: GameEvent): S | Refusal;
  asks(state: S): Ask[];
  /** The player who may say that it goes on another day. */
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
      const by = clocked(state, event, { dueAt: due(state), between: of.between(state) });
      if (by.kind === "done") return by.next;
      const at = seenAt(state, event.at);
      return by.kind === "rang" ? of.bell(at, by.ms) : of.step(at, event);
    },
  };
}
