import type { Ask } from "../asks/ask.ts";
import { isRefusal, type Refusal, refuse, seenAt } from "../contract/contract.ts";
import { asTheyPlay } from "../contract/people.ts";
import type { GameEvent } from "../events/events.ts";
import { clocked, READY } from "./clock.ts";
import type { GoRules, StepResult } from "./go-rules.ts";
import { type MatchState, playerOf, type Side, withSide } from "./match-state.ts";
import type { Turns } from "./turns.ts";

/** What may happen now, and what an event does to a match: goes end, turns pass on, clocks start. */
export function flowOf<P, G>(go: GoRules<P, G>, turns: Turns<P, G>) {
  type S = MatchState<P, G>;
  const { clockOf, swapOf, atOnce, active, due, shared, firstEnds, races, finishedIn } = turns;
  function asks(state: S): Ask[] {
    if (state.over) return [];
    const now = active(state);
    if (state.waiting) {
      const by = now.map((i) => playerOf(state.sides[i]!));
      const rest = Math.max(READY, ...now.map((i) => clockOf(state, state.sides[i]!)?.rest ?? 0));
      return [{ kind: "ready", player: by[0]!, takes: { by, seconds: rest, walk: 0, moving: false } }, ...carry(state)];
    }
    const out: Ask[] = [];
    for (const i of now)
      out.push(...asTheyPlay(state.setup, go.asks(state.params, state.sides[i]!.go, playerOf(state.sides[i]!))));
    const dueAt = due(state);
    if (dueAt !== null) out.push({ kind: "bell", player: playerOf(state.sides[now[0]!]!), dueAt });
    if (state.match.carry) out.push(...carry(state));
    return out;
  }
  const carry = (state: S): Ask[] =>
    state.match.carry && due(state) === null
      ? [{ kind: "carry", player: playerOf(state.sides[state.side]!), optional: true }]
      : [];

  function step(state: S, event: GameEvent): S | Refusal {
    const clock = clocked(state, event, { dueAt: due(state), between: true });
    if (clock.kind === "done") return clock.next;
    if (clock.kind === "rang") {
      let next: S = seenAt(state, event.at);
      for (const i of active(state)) {
        const side = next.sides[i]!;
        const went: StepResult<G> = go.bell?.(state.params, side.go, clock.ms) ?? { go: side.go, after: "end" };
        next = took(next, i, went, clock.ms);
      }
      return next;
    }
    const by = "by" in event ? event.by : undefined;
    const now = active(state);
    const i = by === undefined ? now[0] : now.find((k) => state.sides[k]!.players.includes(by));
    if (i === undefined) return refuse("refused.notTheirTurn");
    const strayed = by === undefined ? null : outOfTurn(state, state.sides[i]!, event, by);
    const went = go.step(state.params, state.sides[i]!.go, strayed?.event ?? event, event.at - state.since);
    if (isRefusal(went)) return went;
    const seen = seenAt(state, event.at);
    const theirs = strayed?.turn === "theirs" && went.after !== "end";
    return took(
      theirs ? withSide(seen, i, { at: seen.sides[i]!.players.indexOf(by!) }) : seen,
      i,
      went,
      event.at - state.since,
    );
  }
  const outOfTurn = (state: S, side: Side<G>, event: GameEvent, by: number) =>
    state.setup.mode === "relay" && by !== playerOf(side)
      ? (go.outOfTurn?.(state.params, side.go, event) ?? null)
      : null;

  /** If sides play for the same targets, what side `i` did is reported to the others. */
  function toOthers(state: S, i: number, mine: G, ms: number): S {
    return state.sides.reduce((next, side, k) => {
      if (k === i || side.done) return next;
      const went = go.meet!.tell(state.params, side.go, mine);
      const over = went.after === "end";
      return withSide(next, k, {
        go: went.go,
        ...(over && { kept: [{ go: went.go, ms, by: side.players[0]! }], done: true }),
      });
    }, state);
  }

  /** The effect of an event on side `i`: its go continues, waits, or is stored. Then the turn passes on. */
  function took(before: S, i: number, went: StepResult<G>, ms: number): S {
    const state = shared(before) ? toOthers(before, i, went.go, ms) : before;
    if (went.after !== "end") {
      const on = withSide(state, i, { go: went.go, begun: true, rests: went.after === "part" && atOnce(state) });
      if (went.after === "part")
        return atOnce(state) ? together(on) : { ...on, waiting: clockOf(on, on.sides[i]!) !== null };
      return went.after === "on" ? on : pass(on, went.after);
    }
    const after = keep(state, i, went.go, ms);
    if (!atOnce(state)) return pass(after, "go");
    const first = firstEnds(state) && go.sum(state.params, went.go, ms).finished;
    const others = first ? active(after).filter((k) => k !== i) : [];
    return together(others.reduce((all, k) => keep(all, k, all.sides[k]!.go, ms), after));
  }
  /** The go of a side is over, and its next one begins if there is one. */
  function keep(state: S, i: number, over: G, ms: number): S {
    const side = state.sides[i]!;
    const kept = [...side.kept, { go: over, ms, by: playerOf(side) }];
    const done = kept.length >= side.goes;
    const next = done ? over : go.begin(state.params, { players: side.players, setup: state.setup });
    return withSide(state, i, { kept, done, go: next, begun: false, rests: !done && atOnce(state) });
  }

  /** All at the same time: once everybody has finished a part, the next begins for all. */
  function together(state: S): S {
    if (state.sides.every((side) => side.done)) return { ...state, over: true, waiting: false };
    if (state.sides.some((side) => !side.done && !side.rests)) return state;
    const sides = state.sides.map((side) => ({ ...side, rests: false }));
    return { ...state, sides, side: sides.findIndex((side) => !side.done), waiting: true };
  }

  /**
   * Passes the turn on after a hit, a miss, a used-up budget or a whole go, and ends the match if nobody is left to
   * send.
   */
  function pass(state: S, after: "hit" | "miss" | "spent" | "pass" | "go"): S {
    // A player who plays alone goes on.
    if (after !== "go" && state.sides.length === 1 && state.sides[0]!.players.length === 1) return state;
    if (state.sides.every((eachSide) => eachSide.done)) return { ...state, over: true, waiting: false };
    const swap = swapOf(state);
    const moves =
      swap === "send" ||
      after === "pass" ||
      after === "go" ||
      (swap === "miss" && after !== "hit") ||
      (swap === "budget" && after === "spent");
    if (!moves) return state;
    const rotated = withSide(state, state.side, { at: state.sides[state.side]!.at + 1 });
    let side = state.side;
    do side = (side + 1) % state.sides.length;
    while (state.sides[side]!.done);
    if (races(state) && side <= state.side && state.sides.some((eachSide) => finishedIn(state, eachSide)))
      return { ...rotated, over: true, waiting: false };
    const next = { ...rotated, side };
    return after === "go" ? { ...next, waiting: clockOf(next, next.sides[side]!) !== null, since: state.last } : next;
  }

  return { asks, step, together, pass };
}
export type Flow<P, G> = ReturnType<typeof flowOf<P, G>>;
