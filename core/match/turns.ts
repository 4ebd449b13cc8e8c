import type { Phrase, Setup } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import { whoPlays } from "../contract/people.ts";
import { unstarted } from "./clock.ts";
import type { GoRules } from "./go-rules.ts";
import { type MatchState, playerOf, type Side } from "./match-state.ts";

/** Who may act, how a match begins, and when its bell rings. */
export function turnsOf<P, G>(go: GoRules<P, G>) {
  type S = MatchState<P, G>;
  const clockOf = (state: S, side: Side<G>) => go.clock(state.params, state.match, side.go);
  /** With a clock, a go is never divided between sides. */
  const swapOf = (state: S) => {
    const side = state.sides[state.side]!;
    if (state.match.swap === "once") return state.sides.length > 1 ? "once" : "go";
    return clockOf(state, side) && state.sides.length > 1 ? "go" : state.match.swap;
  };
  const atOnce = (state: S) => state.match.swap === "once" && state.sides.length > 1;
  const active = (state: S): number[] =>
    atOnce(state)
      ? state.sides.flatMap((side, i) => (side.done || side.rests ? [] : [i]))
      : state.sides[state.side]!.done
        ? []
        : [state.side];
  function start(params: P, match: Match, setup: Setup): S {
    const all = whoPlays(setup);
    const groups = setup.sides ?? (setup.mode === "relay" ? [all] : all.map((i) => [i]));
    const sides = groups.map((players): Side<G> => {
      const begun = go.begin(params, { players, setup });
      const goes = match.goes.count * (go.together === "each" ? players.length : 1);
      return { players, goes, begun: false, at: 0, go: begun, kept: [], done: false, rests: false };
    });
    const at = { side: 0, ...unstarted(false) };
    const state: S = { setup, params, match, sides, ...at, timing: "none" };
    const running = clockOf(state, sides[0]!);
    if (!running) return state;
    const timed = go.sum(params, sides[0]!.go, 0).unit === "tenths";
    const one = sides[0]!.goes === 1 && sides.length === 1;
    const timing = timed && !one ? "state" : running.limit === null ? "none" : "bell";
    return { ...state, waiting: true, timing };
  }

  function due(state: S): number | null {
    if (state.waiting || state.over) return null;
    const side = state.sides[active(state)[0] ?? -1];
    const limit = side && clockOf(state, side)?.limit;
    return typeof limit === "number" ? state.since + limit * 1000 : null;
  }

  const shared = (s: Pick<S, "params" | "setup">) => go.meet?.shared(s.params, s.setup) ?? false;
  const firstEnds = (s: Pick<S, "params" | "match" | "setup">): boolean =>
    s.setup.mode === "against" && s.match.swap === "once" && (go.race?.(s.params) ?? false);

  const races = (state: S) =>
    state.match.end === "first" &&
    state.setup.mode === "against" &&
    swapOf(state) === "send" &&
    state.match.goes.count === 1;
  const finishedIn = (state: S, side: Side<G>) =>
    side.kept.some((kept) => go.sum(state.params, kept.go, kept.ms).finished);
  function turn(state: S): { player: number; side: number; now: Phrase } {
    const side = active(state)[0] ?? state.side;
    const at = { player: playerOf(state.sides[side]!), side };
    if (state.over) return { ...at, now: { key: "play.over" } };
    if (state.waiting) return { ...at, now: { key: "play.ready" } };
    return { ...at, now: go.now(state.params, state.sides[side]!.go) };
  }

  return { clockOf, swapOf, atOnce, active, start, due, shared, firstEnds, races, finishedIn, turn };
}
export type Turns<P, G> = ReturnType<typeof turnsOf<P, G>>;
