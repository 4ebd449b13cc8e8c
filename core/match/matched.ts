import type { Counters, Rules, Setup } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import { comingsOf } from "./comings.ts";
import { flowOf } from "./flow.ts";
import type { GoRules } from "./go-rules.ts";
import { scoresOf } from "./match-score.ts";
import { type MatchState, withSide } from "./match-state.ts";
import { turnsOf } from "./turns.ts";

/**
 * The rules of a match for goes that do not affect each other: who sends when, clocks, goes and their results, who
 * won.
 */
export function matched<P, G>(go: GoRules<P, G>): Rules<P, MatchState<P, G>> {
  type S = MatchState<P, G>;
  const turns = turnsOf(go);
  const { start, due, active, shared, races, firstEnds, turn } = turns;
  const flow = flowOf(go, turns);
  const { asks, step } = flow;
  const { leave, join } = comingsOf(go, turns, flow);
  const { score, progress, ending, key } = scoresOf(go, turns);

  /** For one side with one go. With more goes, each finished go is compared with others. */
  function counters(params: P, match: Match, setup: Setup): Counters<S> | null {
    const list = go.counters?.(params, match) ?? [];
    const first = start(params, match, setup);
    if (list.length === 0 || first.sides.length > 1 || first.sides[0]!.goes > 1 || first.timing !== "none") return null;
    const goOf = (state: S) => state.sides[0]!.kept[0]?.go ?? state.sides[0]!.go;
    const put = (state: S, i: number, count: number): S => {
      const [side] = state.sides;
      const next = list[i]!.put(goOf(state), count);
      return withSide(state, 0, { go: next, kept: side!.kept.map((kept) => ({ ...kept, go: next })) });
    };
    return {
      of: (state) => list.map((counter) => counter.of(goOf(state))),
      put,
      feeds: (figure) => {
        const i = list.findIndex((counter) => counter.feeds.includes(figure));
        return i < 0 ? null : i;
      },
      key: (state) => key(list.reduce((at, _, i) => put(at, i, 0), state)),
    };
  }

  return {
    start,
    counters,
    asks,
    step,
    due,
    clock: (params, match, setup) => start(params, match, setup).timing,
    sidesMeet: (params, match, setup) =>
      setup.mode === "against" && (shared({ params, setup }) || races(start(params, match, setup))),
    firstEnds: (params, match, setup) => firstEnds({ params, match, setup }),
    key,
    turn,
    done: (state) => go.done(state.params, state.sides[active(state)[0] ?? state.side]!.go),
    score,
    ending,
    progress,
    leave,
    join,
  };
}
