import { expect } from "vitest";
import { type AskKind, askOf } from "../asks/ask.ts";
import { type BaseState, isRefusal, MODES, type Mode, type Rules, type Setup } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import type { Body, GameEvent } from "../events/events.ts";
import { random } from "../random.ts";
import { inFull } from "../sample-size.test-utils.ts";

/** A few in every run; many more when it is proved (`npm run test:long`). */
export const SEQUENCES = inFull(100_000, 1_000);

export interface ReferenceResult {
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
    upTo: (count: number) => Math.floor(next() * (count + 1)),
    chance: (chance: number) => next() < chance,
  };
}
export type Draw = ReturnType<typeof drawing>;

function setupOf(draws: Draw, modes: readonly Mode[] = MODES): Setup {
  const mode = draws.one(modes);
  return { mode, players: mode === "alone" ? 1 : 1 + draws.upTo(5), seed: 1 };
}

/** Plays both tellings over one event list and compares everything that either of them says. */
function compare<P, S extends BaseState>(
  pattern: Rules<P, S>,
  tell: (p: P, match: Match, givenSetup: Setup, givenEvents: readonly GameEvent[]) => ReferenceResult,
  params: P,
  givenMatch: Match,
  setup: Setup,
  events: readonly GameEvent[],
) {
  let state = pattern.start(params, givenMatch, setup);
  const accepted: boolean[] = [];
  for (const event of events) {
    const after = pattern.step(state, event);
    accepted.push(!isRefusal(after));
    if (!isRefusal(after)) state = after;
  }
  const told = tell(params, givenMatch, setup, events);
  const ending = pattern.ending(state);
  const mine = {
    accepted,
    player: told.over ? told.player : pattern.turn(state).player,
    over: ending !== null,
    values: pattern.score(state).map((score) => score.value),
    winners: told.winners === null ? null : [...(ending?.winners ?? [])],
  };
  if (JSON.stringify(mine) !== JSON.stringify(told))
    expect({ params, m: givenMatch, setup, events, ...mine }).toEqual({
      params,
      m: givenMatch,
      setup,
      events,
      ...told,
    });
  return ending !== null;
}

export interface Drawn<P> {
  params: P;
  match: Match;
}
export function run<P, S extends BaseState>(
  pattern: Rules<P, S>,
  tell: (p: P, match: Match, setup: Setup, events: readonly GameEvent[]) => ReferenceResult,
  drawnOf: (draws: Draw) => Drawn<P>,
  eventOf: (draws: Draw, at: number, params: P, legal: readonly AskKind[]) => GameEvent,
  modes: readonly Mode[] = MODES,
) {
  let ended = 0;
  for (let seed = 1; seed <= SEQUENCES; seed++) {
    const draws = drawing(seed);
    const { params, match } = drawnOf(draws);
    const setup = setupOf(draws, modes);
    const events: GameEvent[] = [];
    let state = pattern.start(params, match, setup);
    let at = 0;
    const length = 3 + draws.upTo(24);
    for (let i = 0; i < length; i++) {
      at = Math.max(0, at + (draws.chance(0.02) ? -500 : draws.upTo(40) * 100));
      const asks = pattern.asks(state);
      const bell = askOf(asks, "bell");
      const event = eventOf(
        draws,
        at,
        params,
        asks.map((ask) => ask.kind),
      );
      // Somebody else of the team.
      const other = setup.mode === "relay" && (event.kind === "send" || event.kind === "count") && draws.chance(0.15);
      if (other) event.by = draws.upTo(setup.players - 1);
      if (event.kind === "bell" && bell && draws.chance(0.7)) event.at = at = Math.max(at, bell.dueAt);
      events.push(event);
      const after = pattern.step(state, event);
      if (!isRefusal(after)) state = after;
    }
    if (compare(pattern, tell, params, match, setup, events)) ended++;
  }
  return ended;
}

/** All event sequences of the given length from a small alphabet; each is compared, and the living ones are counted. */
export function everySequence<P, S extends BaseState>(
  pattern: Rules<P, S>,
  tell: (p: P, match: Match, givenSetup: Setup, events: readonly GameEvent[]) => ReferenceResult,
  params: P,
  givenMatch: Match,
  setup: Setup,
  alphabet: readonly Body[],
  depth: number,
) {
  let living = 0;
  const grow = (events: GameEvent[]) => {
    compare(pattern, tell, params, givenMatch, setup, events);
    if (events.length === depth) {
      living++;
      return;
    }
    for (const body of alphabet) {
      const event = { ...body, at: events.length * 1000 } as GameEvent;
      const told = tell(params, givenMatch, setup, [...events, event]);
      if (told.accepted[events.length]) grow([...events, event]);
    }
  };
  grow([]);
  return living;
}
