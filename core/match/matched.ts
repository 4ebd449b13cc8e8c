import type { Ask } from "../asks/ask.ts";
import {
  type BaseState,
  type Better,
  type Counters,
  type Ending,
  type Figure,
  isRefusal,
  type Phrase,
  type Progress,
  type Refusal,
  type Rules,
  refuse,
  type Score,
  type Setup,
  seenAt,
  type Unit,
} from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import { asTheyPlay, headStartOf, whoPlays } from "../contract/people.ts";
import type { GameEvent } from "../events/events.ts";
import { including, isOut, without } from "./company.ts";
import { mostOf } from "./end.ts";

/** Whose go it is: the players of the side, in the order they take their turns. */
export interface Seat {
  players: readonly number[];
  setup: Setup;
}
/** What an event made of a go: it goes on, after something that went right or wrong, or for the next one in any case (`pass`); its clock is done and the next part waits; or it is over. */
export interface StepResult<G> {
  go: G;
  after: "on" | "hit" | "miss" | "spent" | "pass" | "part" | "end";
}
/** A clock that runs during a go: until its bell, or open; and the rest before it, seconds. */
export interface Clock {
  limit: number | null;
  rest: number;
}
/** What a go amounts to. */
export interface Sum {
  value: number;
  unit: Unit;
  better: Better;
  /** More is better, for comparing goes of the same game. */
  rank: number;
  /** Asked for only where it is shown: told when it is read. */
  readonly working: string;
  sends: number;
  stage: number;
  stages: number;
  finished: boolean;
}

export interface Counter<G> {
  of(go: G): number;
  put(go: G, count: number): G;
  feeds: readonly Figure[];
}

/** One go of one side: all that a pattern tells where sides do not meet. Times in milliseconds since the clock, or the go, began. */
export interface GoRules<P, G> {
  begin(params: P, seat: Seat): G;
  /** What that player may do; the bell and the start of a clock come from the match. */
  asks(params: P, go: G, player: number): Ask[];
  step(params: P, go: G, event: GameEvent, ms: number): StepResult<G> | Refusal;
  /**
   * As a team, where turns are the rule: what it amounts to when somebody does this whose turn it is not, and whose turn it is then. Null, or where
   * the pattern does not say: it counts like anybody's.
   */
  outOfTurn?(params: P, go: G, event: GameEvent): { event: GameEvent; turn: "stays" | "theirs" } | null;
  /** The clock that is to run now; null: none. */
  clock(params: P, match: Match, go: G): Clock | null;
  /** The bell: the go is over unless it says otherwise. `ms`: how long the clock ran. */
  bell?(params: P, go: G, ms: number): StepResult<G>;
  sum(params: P, go: G, ms: number): Sum;
  key(params: P, go: G): string;
  /** Numbers of a go that grow and that nothing later depends on, and the figures that they bring; see `Counters`. */
  counters?(params: P, match: Match): readonly Counter<G>[];
  now(params: P, go: G): Phrase;
  done(params: P, go: G): readonly string[];
  /** Why it is over, where the best of all goes came so far. */
  ended(params: P, reached: { finished: boolean }, goes: readonly G[]): Phrase;
  /** Together: all share one go, or each has one and they are summed. */
  together: "share" | "each";
  /** All at once: whoever is at the end first ends the go for all. */
  race?: (params: P) => boolean;
  /** Sides that play for the same things: what one does is told to the go of each other. No clock runs, and one go is all. */
  meet?: { shared(params: P, setup: Setup): boolean; tell(params: P, other: G, mine: G): StepResult<G> };
}

interface Kept<G> {
  go: G;
  ms: number;
  /** Whose it was, where each has its own. */
  by: number;
}
interface Side<G> {
  players: readonly number[];
  /** Goes that it has in all. */
  goes: number;
  /** Something has happened in the go under way. */
  begun: boolean;
  /** Who of them comes next, by place. */
  at: number;
  go: G;
  kept: readonly Kept<G>[];
  done: boolean;
  /** Its part of the go under way is over and it waits for the others. */
  rests: boolean;
}
export interface MatchState<P, G> extends BaseState {
  params: P;
  match: Match;
  sides: readonly Side<G>[];
  /** Whose turn it is. */
  side: number;
  /** The clock waits for its start. */
  waiting: boolean;
  /** When this go or its clock began, and the last thing seen, milliseconds since the play began. */
  since: number;
  last: number;
  carried: number;
  over: boolean;
  /** What elapsed time changes; see `Rules.clock`. */
  timing: "none" | "bell" | "state";
}

/** Getting ready, seconds. */
const READY = 4;

/** The rules of a match around goes that do not touch each other: who sends when, clocks, goes and what is kept, who won. */
export function matched<P, G>(go: GoRules<P, G>): Rules<P, MatchState<P, G>> {
  type S = MatchState<P, G>;
  const clockOf = (state: S, side: Side<G>) => go.clock(state.params, state.match, side.go);
  /** With a clock a go is never cut up between sides. */
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
  const playerOf = (side: Side<G>) => side.players[side.at % side.players.length]!;
  const totalled = (state: S, side: Side<G>) =>
    state.match.goes.keep === "total" || (go.together === "each" && side.players.length > 1);

  function start(params: P, match: Match, setup: Setup): S {
    const all = whoPlays(setup);
    const groups = setup.sides ?? (setup.mode === "relay" ? [all] : all.map((i) => [i]));
    const sides = groups.map((players): Side<G> => {
      const begun = go.begin(params, { players, setup });
      const goes = match.goes.count * (go.together === "each" ? players.length : 1);
      return { players, goes, begun: false, at: 0, go: begun, kept: [], done: false, rests: false };
    });
    const at = { side: 0, waiting: false, since: 0, last: 0, carried: 0, over: false };
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
    if (state.over) return refuse("refused.over");
    if (event.at < state.last) return refuse("refused.earlier");
    const dueAt = due(state);
    if (event.kind === "carry") {
      if (!state.match.carry) return refuse("refused.noCarry");
      return dueAt === null ? { ...state, carried: state.carried + 1, last: event.at } : refuse("refused.carryBetween");
    }
    if (state.waiting) {
      if (event.kind !== "ready") return refuse("refused.notStarted");
      return { ...state, waiting: false, since: event.at, last: event.at };
    }
    if (event.kind === "bell") {
      if (dueAt === null) return refuse("refused.noBell");
      if (event.at < dueAt) return refuse("refused.bellEarly", { seconds: Math.ceil((dueAt - event.at) / 1000) });
      const ms = dueAt - state.since;
      let next: S = seenAt(state, event.at);
      for (const i of active(state)) {
        const side = next.sides[i]!;
        const went: StepResult<G> = go.bell?.(state.params, side.go, ms) ?? { go: side.go, after: "end" };
        next = took(next, i, went, ms);
      }
      return next;
    }
    if (dueAt !== null && event.at > dueAt) return refuse("refused.afterBell");
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

  const withSide = (state: S, i: number, change: Partial<Side<G>>): S => {
    const sides = [...state.sides];
    sides[i] = { ...sides[i]!, ...change };
    return { ...state, sides };
  };

  const shared = (s: Pick<S, "params" | "setup">) => go.meet?.shared(s.params, s.setup) ?? false;
  /** Where sides play for the same things: what side `i` made of them, told to the others. */
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

  /** What an event made of side `i`: its go goes on, waits, or is kept; then the turn is handed on. */
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
  /** A go of a side is over, and its next one begins where it has one. */
  function keep(state: S, i: number, over: G, ms: number): S {
    const side = state.sides[i]!;
    const kept = [...side.kept, { go: over, ms, by: playerOf(side) }];
    const done = kept.length >= side.goes;
    const next = done ? over : go.begin(state.params, { players: side.players, setup: state.setup });
    return withSide(state, i, { kept, done, go: next, begun: false, rests: !done && atOnce(state) });
  }
  const firstEnds = (s: Pick<S, "params" | "match" | "setup">): boolean =>
    s.setup.mode === "against" && s.match.swap === "once" && (go.race?.(s.params) ?? false);

  /** All at once: once each is done with its part, the next begins for all. */
  function together(state: S): S {
    if (state.sides.every((side) => side.done)) return { ...state, over: true, waiting: false };
    if (state.sides.some((side) => !side.done && !side.rests)) return state;
    const sides = state.sides.map((side) => ({ ...side, rests: false }));
    return { ...state, sides, side: sides.findIndex((side) => !side.done), waiting: true };
  }

  /** Hands the turn on after a hit, a miss, a budget spent or a whole go, and ends the match when nobody is left to send. */
  function pass(state: S, after: "hit" | "miss" | "spent" | "pass" | "go"): S {
    // One person alone goes on.
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
  const races = (state: S) =>
    state.match.end === "first" &&
    state.setup.mode === "against" &&
    swapOf(state) === "send" &&
    state.match.goes.count === 1;
  const finishedIn = (state: S, side: Side<G>) =>
    side.kept.some((kept) => go.sum(state.params, kept.go, kept.ms).finished);

  /** The go under way counts like a finished one, so that a score exists at any moment. */
  const sumsOf = (state: S, side: Side<G>): Sum[] => {
    const kept = side.kept.map((eachKept) => go.sum(state.params, eachKept.go, eachKept.ms));
    return side.done && kept.length > 0 ? kept : [...kept, go.sum(state.params, side.go, 0)];
  };
  const bestOf = (sums: readonly Sum[]) => sums.reduce((sum, b) => (b.rank > sum.rank ? b : sum));
  const sumUp = (sums: readonly Sum[], f: (sum: Sum) => number) => sums.reduce((sum, x) => sum + f(x), 0);

  /** What a side begins with, where points are scored and more are better. */
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

  /** Whoever leaves takes its turns along, and the go under way where it is its own; what it made for its side stays. */
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
  /** It is over once nobody is left to send. */
  const ended = (state: S): S =>
    state.sides.every((side) => side.done) ? { ...state, over: true, waiting: false } : state;
  /** Before the first send of a go, where no clock runs. */
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
      // A go is begun for those who play it.
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

  function progress(state: S): Progress[] {
    const scores = score(state);
    return state.sides.map((side, i) => {
      const sums = sumsOf(state, side);
      return {
        sends: sumUp(sums, (sum) => sum.sends),
        rounds: side.kept.length,
        points: scores[i]!.value,
        // What compares with other goes is what was played for.
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
    // Who is out is not ranked, and nobody wins against nobody.
    const ranks = score(state).map((eachScore, i) => (isOut(state, i) ? Number.NEGATIVE_INFINITY : eachScore.rank));
    if (ranks.filter((rank) => rank > Number.NEGATIVE_INFINITY).length < 2) return { reason, winners: [] };
    return { reason, winners: mostOf(ranks) };
  }

  function turn(state: S): { player: number; side: number; now: Phrase } {
    const side = active(state)[0] ?? state.side;
    const at = { player: playerOf(state.sides[side]!), side };
    if (state.over) return { ...at, now: { key: "play.over" } };
    if (state.waiting) return { ...at, now: { key: "play.ready" } };
    return { ...at, now: go.now(state.params, state.sides[side]!.go) };
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

  /** Of one side with one go: where there are more, a go that is over is compared with others. */
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
