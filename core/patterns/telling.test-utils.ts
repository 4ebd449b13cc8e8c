import { expect } from "vitest";
import { type AskKind, askOf } from "../asks/ask.ts";
import { type BaseState, isRefusal, MODES, type Mode, type Rules, type Setup } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import type { Body, GameEvent } from "../events/events.ts";
import { random } from "../random.ts";

/** A few in every run; many more when it is proved (`npm run prove`). */
export const SEQUENCES = Number(process.env.YARD_SEQUENCES ?? 2_000);

export interface Told {
  accepted: boolean[];
  player: number;
  over: boolean;
  values: number[];
  winners: number[] | null;
}

export function drawing(seed: number) {
  const next = random(seed);
  return {
    one: <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!,
    upTo: (n: number) => Math.floor(next() * (n + 1)),
    chance: (p: number) => next() < p,
  };
}
export type Draw = ReturnType<typeof drawing>;

function setupOf(d: Draw, modes: readonly Mode[] = MODES): Setup {
  const mode = d.one(modes);
  return { mode, players: mode === "alone" ? 1 : 1 + d.upTo(5), seed: 1 };
}

/** Plays both tellings over one event list and compares everything that either of them says. */
function compare<P, S extends BaseState>(
  pattern: Rules<P, S>,
  tell: (p: P, m: Match, s: Setup, e: readonly GameEvent[]) => Told,
  params: P,
  m: Match,
  setup: Setup,
  events: readonly GameEvent[],
) {
  let state = pattern.start(params, m, setup);
  const accepted: boolean[] = [];
  for (const e of events) {
    const after = pattern.step(state, e);
    accepted.push(!isRefusal(after));
    if (!isRefusal(after)) state = after;
  }
  const told = tell(params, m, setup, events);
  const ending = pattern.ending(state);
  const mine = {
    accepted,
    player: told.over ? told.player : pattern.turn(state).player,
    over: ending !== null,
    values: pattern.score(state).map((s) => s.value),
    winners: told.winners === null ? null : [...(ending?.winners ?? [])],
  };
  if (JSON.stringify(mine) !== JSON.stringify(told))
    expect({ params, m, setup, events, ...mine }).toEqual({ params, m, setup, events, ...told });
  return ending !== null;
}

export interface Drawn<P> {
  params: P;
  match: Match;
}
export function run<P, S extends BaseState>(
  pattern: Rules<P, S>,
  tell: (p: P, m: Match, s: Setup, e: readonly GameEvent[]) => Told,
  drawnOf: (d: Draw) => Drawn<P>,
  eventOf: (d: Draw, at: number, params: P, legal: readonly AskKind[]) => GameEvent,
  modes: readonly Mode[] = MODES,
) {
  let ended = 0;
  for (let seed = 1; seed <= SEQUENCES; seed++) {
    const d = drawing(seed);
    const { params, match: m } = drawnOf(d);
    const setup = setupOf(d, modes);
    const events: GameEvent[] = [];
    let state = pattern.start(params, m, setup);
    let at = 0;
    const length = 3 + d.upTo(24);
    for (let i = 0; i < length; i++) {
      at = Math.max(0, at + (d.chance(0.02) ? -500 : d.upTo(40) * 100));
      const asks = pattern.asks(state);
      const bell = askOf(asks, "bell");
      const e = eventOf(
        d,
        at,
        params,
        asks.map((a) => a.kind),
      );
      // Somebody else of the team.
      const other = setup.mode === "relay" && (e.kind === "send" || e.kind === "count") && d.chance(0.15);
      if (other) e.by = d.upTo(setup.players - 1);
      if (e.kind === "bell" && bell && d.chance(0.7)) e.at = at = Math.max(at, bell.dueAt);
      events.push(e);
      const after = pattern.step(state, e);
      if (!isRefusal(after)) state = after;
    }
    if (compare(pattern, tell, params, m, setup, events)) ended++;
  }
  return ended;
}

/** All event sequences of the given length from a small alphabet; each is compared, and the living ones are counted. */
export function everySequence<P, S extends BaseState>(
  pattern: Rules<P, S>,
  tell: (p: P, m: Match, s: Setup, e: readonly GameEvent[]) => Told,
  params: P,
  m: Match,
  setup: Setup,
  alphabet: readonly Body[],
  depth: number,
) {
  let living = 0;
  const grow = (events: GameEvent[]) => {
    compare(pattern, tell, params, m, setup, events);
    if (events.length === depth) {
      living++;
      return;
    }
    for (const body of alphabet) {
      const e = { ...body, at: events.length * 1000 } as GameEvent;
      const told = tell(params, m, setup, [...events, e]);
      if (told.accepted[events.length]) grow([...events, e]);
    }
  };
  grow([]);
  return living;
}
