import type { Ending, Progress, Score } from "../contract/contract.ts";
import { headStartOf } from "../contract/people.ts";
import { isOut } from "./company.ts";
import { mostOf } from "./end.ts";
import type { GoRules, Sum } from "./go-rules.ts";
import type { Kept, MatchState, Side } from "./match-state.ts";
import type { Turns } from "./turns.ts";

/** The state of a match at any moment: scores, how far each side is, who won, and the key that identifies it. */
export function scoresOf<P, G>(go: GoRules<P, G>, { finishedIn }: Turns<P, G>) {
  type S = MatchState<P, G>;
  const totalled = (state: S, side: Side<G>) =>
    state.match.goes.keep === "total" || (go.together === "each" && side.players.length > 1);

  /** The go in progress counts like a finished one, so that there is a score at any moment. */
  const sumsOf = (state: S, side: Side<G>): Sum[] => {
    const kept = side.kept.map((eachKept) => go.sum(state.params, eachKept.go, eachKept.ms));
    return side.done && kept.length > 0 ? kept : [...kept, go.sum(state.params, side.go, 0)];
  };
  const bestOf = (sums: readonly Sum[]) => sums.reduce((sum, b) => (b.rank > sum.rank ? b : sum));
  const sumUp = (sums: readonly Sum[], f: (sum: Sum) => number) => sums.reduce((sum, x) => sum + f(x), 0);

  /** The head start of a side, in games where points are scored and more are better. */
  const headIn = (state: S, side: Side<G>, { unit, better }: Sum) =>
    unit === "points" && better === "more" ? headStartOf(state.setup, side.players) : 0;

  function score(state: S): Score[] {
    return state.sides.map((side) => {
      const sums = sumsOf(state, side);
      const total = totalled(state, side);
      const { unit, better } = sums[0]!;
      const head = headIn(state, side, sums[0]!);
      const value = head + (total ? sumUp(sums, (sum) => sum.value) : bestOf(sums).value);
      return {
        players: side.players,
        value,
        soFar: value,
        unit,
        better,
        get working() {
          const own = workingOf(side, sums, total);
          return head > 0
            ? `${head} + ${own === "" ? value - head : own.includes("=") ? `(${own.split(" = ")[0]})` : own} = ${value}`
            : own;
        },
        rank: head + (total ? sumUp(sums, (sum) => sum.rank) : bestOf(sums).rank),
      };
    });
  }
  function workingOf(side: Side<G>, sums: readonly Sum[], total: boolean): string {
    if (side.goes > 1 && sums.length > 1) {
      const parts = sums.map((sum) => sum.value);
      return total ? `${parts.join(" + ")} = ${parts.reduce((sum, b) => sum + b, 0)}` : parts.join(", ");
    }
    return sums[sums.length - 1]!.working;
  }

  function progress(state: S): Progress[] {
    const scores = score(state);
    return state.sides.map((side, i) => {
      const sums = sumsOf(state, side);
      return {
        sends: sumUp(sums, (sum) => sum.sends),
        rounds: side.kept.length,
        points: scores[i]!.value,
        // Goes are compared by what was scored in play.
        own: scores[i]!.value - headIn(state, side, sums[0]!),
        stage: Math.max(...sums.map((sum) => sum.stage)),
        stages: sums[0]!.stages,
        finished: totalled(state, side) ? sums.every((sum) => sum.finished) : sums.some((sum) => sum.finished),
      };
    });
  }

  function ending(state: S): Ending | null {
    if (!state.over) return null;
    const goes = state.sides.flatMap((side) => side.kept.map((kept) => kept.go));
    const reason = go.ended(state.params, { finished: state.sides.some((side) => finishedIn(state, side)) }, goes);
    if (state.setup.mode !== "against" || state.sides.length < 2) return { reason, winners: [] };
    // A side that is out is not ranked, and a single side does not win.
    const ranks = score(state).map((eachScore, i) => (isOut(state, i) ? Number.NEGATIVE_INFINITY : eachScore.rank));
    if (ranks.filter((rank) => rank > Number.NEGATIVE_INFINITY).length < 2) return { reason, winners: [] };
    return { reason, winners: mostOf(ranks) };
  }

  function key(state: S): string {
    const inState = state.timing === "state";
    const kept = (givenKept: Kept<G>) => {
      const sum = go.sum(state.params, givenKept.go, inState ? givenKept.ms : 0);
      return [sum.value, sum.rank, sum.sends, sum.stage, sum.finished ? 1 : 0];
    };
    const sides = state.sides.map((side) => [
      side.done ? 0 : go.key(state.params, side.go),
      side.kept.map(kept),
      side.players.length > 1 ? side.at % side.players.length : 0,
      side.rests ? 1 : 0,
    ]);
    return JSON.stringify([sides, state.side, state.waiting, state.over, inState ? state.last - state.since : 0]);
  }

  return { score, progress, ending, key };
}
