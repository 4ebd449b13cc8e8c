import { including, isOut, without } from "./company.ts";
import type { Flow } from "./flow.ts";
import type { GoRules } from "./go-rules.ts";
import { type MatchState, playerOf, withSide } from "./match-state.ts";
import type { Turns } from "./turns.ts";

/** Players who leave or join during a match. */
export function comingsOf<P, G>(go: GoRules<P, G>, turns: Turns<P, G>, { together, pass }: Flow<P, G>) {
  type S = MatchState<P, G>;
  const { clockOf, atOnce, due, shared } = turns;
  /**
   * A player who leaves gives up their turns and, if the go in progress is theirs, that go. What it scored for the
   * side stays.
   */
  function leave(state: S, who: number): S {
    const i = state.sides.findIndex((side) => side.players.includes(who));
    const x = state.sides[i]!;
    const rest = without(x.players, who, x.at);
    if (rest.length === 0) {
      const gone: S = { ...withSide(state, i, { done: true, rests: false }), out: [...(state.out ?? []), i] };
      return atOnce(state) ? together(gone) : i === state.side ? pass(gone, "go") : ended(gone);
    }
    if (go.together !== "each") return withSide(state, i, { players: rest });
    const goes = x.goes - (state.match.goes.count - x.kept.filter((kept) => kept.by === who).length);
    const own = playerOf(x) === who;
    const next = own ? go.begin(state.params, { players: rest, setup: state.setup }) : x.go;
    const done = x.kept.length >= goes;
    const left = withSide(state, i, { players: rest, goes, go: next, begun: x.begun && !own, done: x.done || done });
    if (!own || x.done) return left;
    if (done) return atOnce(state) ? together(left) : pass(left, "go");
    return { ...left, waiting: clockOf(left, left.sides[i]!) !== null, since: state.last };
  }
  /** The match is over when nobody is left to send. */
  const ended = (state: S): S =>
    state.sides.every((side) => side.done) ? { ...state, over: true, waiting: false } : state;
  /** Before the first send of a go, if no clock is running. */
  function join(state: S, who: number, side: number | null): S | null {
    if (
      state.over ||
      due(state) !== null ||
      shared(state) ||
      state.sides.some((eachSide) => eachSide.begun || eachSide.rests)
    )
      return null;
    if (side !== null) {
      const x = state.sides[side];
      if (!x || x.done || isOut(state, side)) return null;
      const rounds = Math.floor(x.kept.length / x.players.length);
      const more = go.together === "each" ? state.match.goes.count - rounds : 0;
      const players = including(x.players, who, x.at);
      // A go is started for the players who play it.
      return withSide(state, side, {
        players,
        goes: x.goes + more,
        go: go.begin(state.params, { players, setup: state.setup }),
      });
    }
    if (state.setup.mode === "relay" || state.sides.some((eachSide) => eachSide.players.length > 1)) return null;
    const goes = Math.max(...state.sides.map((eachSide) => eachSide.goes - eachSide.kept.length));
    if (goes === 0) return null;
    const begun = go.begin(state.params, { players: [who], setup: state.setup });
    const at = { goes, begun: false, at: 0, kept: [], done: false, rests: false };
    return { ...state, sides: [...state.sides, { players: [who], go: begun, ...at }] };
  }

  return { leave, join };
}
