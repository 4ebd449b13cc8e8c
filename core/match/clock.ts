import type { BaseState, Refusal } from "../contract/contract.ts";
import { refuse, seenAt } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import type { GameEvent } from "../events/events.ts";

/** The part of a state that a clock uses. */
export interface Ticking extends BaseState {
  match: Match;
  /** Whether the clock is waiting to start, and when it started. */
  waiting: boolean;
  since: number;
  /** How often play was put off to another day. */
  carried: number;
  last: number;
  over: boolean;
}
/** Time to get ready, in seconds. */
export const READY = 4;

/** The clock of a state before anything has happened. */
export const unstarted = (waiting: boolean): Pick<Ticking, "waiting" | "since" | "carried" | "last" | "over"> => ({
  waiting,
  since: 0,
  carried: 0,
  last: 0,
  over: false,
});

/**
 * The clock's verdict on an event. Either the clock has handled it, or the bell rang after `ms` milliseconds, or the game must judge it.
 */
export type Clocked<S> = { kind: "done"; next: S | Refusal } | { kind: "rang"; ms: number } | { kind: "game" };
const done = <S>(next: S | Refusal): Clocked<S> => ({ kind: "done", next });

/**
 * Handles what every game with a clock has in common: starting, the bell, events that come too early or after the bell, and going on another
 * day. `dueAt` is when the bell rings, or null if none does. `between` says that nothing is under way, so that play may go on another day.
 */
export function clocked<S extends Ticking>(
  state: S,
  event: GameEvent,
  { dueAt, between }: { dueAt: number | null; between: boolean },
): Clocked<S> {
  if (state.over) return done(refuse("refused.over"));
  if (event.at < state.last) return done(refuse("refused.earlier"));
  const seen = seenAt(state, event.at);
  if (event.kind === "carry") {
    if (!state.match.carry) return done(refuse("refused.noCarry"));
    if (dueAt !== null || !between) return done(refuse("refused.carryBetween"));
    return done({ ...seen, carried: state.carried + 1 });
  }
  if (state.waiting)
    return done(event.kind === "ready" ? { ...seen, waiting: false, since: event.at } : refuse("refused.notStarted"));
  if (event.kind === "bell") {
    if (dueAt === null) return done(refuse("refused.noBell"));
    if (event.at < dueAt) return done(refuse("refused.bellEarly", { seconds: Math.ceil((dueAt - event.at) / 1000) }));
    return { kind: "rang", ms: dueAt - state.since };
  }
  return dueAt !== null && event.at > dueAt ? done(refuse("refused.afterBell")) : { kind: "game" };
}
