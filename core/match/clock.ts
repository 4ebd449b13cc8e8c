import type { BaseState, Refusal } from "../contract/contract.ts";
import { refuse, seenAt } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import type { GameEvent } from "../events/events.ts";

/** What of a state a clock runs on. */
export interface Ticking extends BaseState {
  match: Match;
  /** The clock waits for its start; when it began. */
  waiting: boolean;
  since: number;
  /** How often it went on another day. */
  carried: number;
  last: number;
  over: boolean;
}
/** Getting ready, seconds. */
export const READY = 4;

/** Before the clock has started, or the first event has come. */
export const unstarted = (waiting: boolean): Pick<Ticking, "waiting" | "since" | "carried" | "last" | "over"> => ({
  waiting,
  since: 0,
  carried: 0,
  last: 0,
  over: false,
});

/** What the clock makes of an event: it is done with it, the bell rang after so many milliseconds, or the game has to judge it. */
export type Clocked<S> = { kind: "done"; next: S | Refusal } | { kind: "rang"; ms: number } | { kind: "game" };
const done = <S>(next: S | Refusal): Clocked<S> => ({ kind: "done", next });

/**
 * Starting, the bell, what comes too early or after the bell, and going on another day: the same for every game. `dueAt`: when the bell
 * goes; null: none does. `between`: nothing is under way, so that it may go on another day.
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
