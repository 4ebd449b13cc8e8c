import { mainAsks } from "../asks/ask.ts";
import { type AnyPattern, type BaseState, betterIn, isRefusal, type Possible } from "../contract/contract.ts";
import { openGame } from "../contract/game.ts";
import type { Match } from "../contract/match.ts";
import { bodiesOf } from "./referee.ts";

/** A game with more states than this must say itself what can be scored. */
const MAX_STATES = 50_000;
/** More values than this are given as a range, because nobody would read the list. */
const MAX_VALUES = 60;

/**
 * What can be written on paper for a go of one child alone, by going through every state of the game. It is exact for
 * games without a clock; a game with one says itself what is possible. Throws RangeError where there are too many states.
 * Example: ten attempts that each score 0 or 1 give 0 to 10, each of them possible.
 */
export function possibleFromStates(pattern: AnyPattern, params: unknown, match: Match): Possible {
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  const game = openGame(pattern, { params, match: { ...match, goes: { count: 1, keep: "best" } } });
  const start: BaseState = game.start({ players: 1, mode: "alone", seed: 1 });
  const { unit } = game.score(start)[0]!;
  const seen = new Set([game.key(start)]);
  const open = [start];
  const values = new Set<number>();
  const finished = new Set<number>();
  let stages = 0;
  for (let state = open.pop(); state; state = open.pop()) {
    const reached = game.progress(state)[0]!;
    values.add(reached.own);
    stages = Math.max(stages, reached.stage);
    if (game.ending(state)) {
      if (reached.finished) finished.add(reached.own);
      continue;
    }
    for (const body of mainAsks(game.asks(state)).flatMap(bodiesOf)) {
      const next = game.step(state, { ...body, at: 0 } as never);
      if (isRefusal(next)) continue;
      const key = game.key(next);
      if (seen.has(key)) continue;
      seen.add(key);
      if (seen.size > MAX_STATES) throw new RangeError(`${pattern.name} has too many states to list what is possible`);
      open.push(next);
    }
  }
  const rangeOf = (list: ReadonlySet<number>) => ({ least: Math.min(...list) * kept, most: Math.max(...list) * kept });
  const all = rangeOf(values);
  return {
    unit,
    better: betterIn(unit),
    ...all,
    values: kept === 1 && values.size <= MAX_VALUES ? [...values].sort((a, b) => a - b) : null,
    finished: finished.size > 0 ? rangeOf(finished) : all,
    stages,
  };
}
