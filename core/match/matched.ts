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
  put(go: G, n: number): G;
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
  const clockOf = (s: S, side: Side<G>) => go.clock(s.params, s.match, side.go);
  /** With a clock a go is never cut up between sides. */
  const swapOf = (s: S) => {
    const side = s.sides[s.side]!;
    if (s.match.swap === "once") return s.sides.length > 1 ? "once" : "go";
    return clockOf(s, side) && s.sides.length > 1 ? "go" : s.match.swap;
  };
  const atOnce = (s: S) => s.match.swap === "once" && s.sides.length > 1;
  const active = (s: S): number[] =>
    atOnce(s) ? s.sides.flatMap((x, i) => (x.done || x.rests ? [] : [i])) : s.sides[s.side]!.done ? [] : [s.side];
  const playerOf = (x: Side<G>) => x.players[x.at % x.players.length]!;
  const totalled = (s: S, side: Side<G>) =>
    s.match.goes.keep === "total" || (go.together === "each" && side.players.length > 1);

  function start(params: P, match: Match, setup: Setup): S {
    const all = whoPlays(setup);
    const groups = setup.sides ?? (setup.mode === "relay" ? [all] : all.map((i) => [i]));
    const sides = groups.map((players): Side<G> => {
      const begun = go.begin(params, { players, setup });
      const goes = match.goes.count * (go.together === "each" ? players.length : 1);
      return { players, goes, begun: false, at: 0, go: begun, kept: [], done: false, rests: false };
    });
    const at = { side: 0, waiting: false, since: 0, last: 0, carried: 0, over: false };
    const s: S = { setup, params, match, sides, ...at, timing: "none" };
    const running = clockOf(s, sides[0]!);
    if (!running) return s;
    const timed = go.sum(params, sides[0]!.go, 0).unit === "tenths";
    const one = sides[0]!.goes === 1 && sides.length === 1;
    const timing = timed && !one ? "state" : running.limit === null ? "none" : "bell";
    return { ...s, waiting: true, timing };
  }

  function due(s: S): number | null {
    if (s.waiting || s.over) return null;
    const side = s.sides[active(s)[0] ?? -1];
    const limit = side && clockOf(s, side)?.limit;
    return typeof limit === "number" ? s.since + limit * 1000 : null;
  }

  function asks(s: S): Ask[] {
    if (s.over) return [];
    const now = active(s);
    if (s.waiting) {
      const by = now.map((i) => playerOf(s.sides[i]!));
      const rest = Math.max(READY, ...now.map((i) => clockOf(s, s.sides[i]!)?.rest ?? 0));
      return [{ kind: "ready", player: by[0]!, takes: { by, seconds: rest, walk: 0, moving: false } }, ...carry(s)];
    }
    const out: Ask[] = [];
    for (const i of now) out.push(...asTheyPlay(s.setup, go.asks(s.params, s.sides[i]!.go, playerOf(s.sides[i]!))));
    const dueAt = due(s);
    if (dueAt !== null) out.push({ kind: "bell", player: playerOf(s.sides[now[0]!]!), dueAt });
    if (s.match.carry) out.push(...carry(s));
    return out;
  }
  const carry = (s: S): Ask[] =>
    s.match.carry && due(s) === null ? [{ kind: "carry", player: playerOf(s.sides[s.side]!), optional: true }] : [];

  function step(s: S, e: GameEvent): S | Refusal {
    if (s.over) return refuse("refused.over");
    if (e.at < s.last) return refuse("refused.earlier");
    const dueAt = due(s);
    if (e.kind === "carry") {
      if (!s.match.carry) return refuse("refused.noCarry");
      return dueAt === null ? { ...s, carried: s.carried + 1, last: e.at } : refuse("refused.carryBetween");
    }
    if (s.waiting) {
      if (e.kind !== "ready") return refuse("refused.notStarted");
      return { ...s, waiting: false, since: e.at, last: e.at };
    }
    if (e.kind === "bell") {
      if (dueAt === null) return refuse("refused.noBell");
      if (e.at < dueAt) return refuse("refused.bellEarly", { seconds: Math.ceil((dueAt - e.at) / 1000) });
      const ms = dueAt - s.since;
      let next: S = seenAt(s, e.at);
      for (const i of active(s)) {
        const x = next.sides[i]!;
        const went: StepResult<G> = go.bell?.(s.params, x.go, ms) ?? { go: x.go, after: "end" };
        next = took(next, i, went, ms);
      }
      return next;
    }
    if (dueAt !== null && e.at > dueAt) return refuse("refused.afterBell");
    const by = "by" in e ? e.by : undefined;
    const now = active(s);
    const i = by === undefined ? now[0] : now.find((k) => s.sides[k]!.players.includes(by));
    if (i === undefined) return refuse("refused.notTheirTurn");
    const strayed = by === undefined ? null : outOfTurn(s, s.sides[i]!, e, by);
    const went = go.step(s.params, s.sides[i]!.go, strayed?.event ?? e, e.at - s.since);
    if (isRefusal(went)) return went;
    const seen = seenAt(s, e.at);
    const theirs = strayed?.turn === "theirs" && went.after !== "end";
    return took(
      theirs ? withSide(seen, i, { at: seen.sides[i]!.players.indexOf(by!) }) : seen,
      i,
      went,
      e.at - s.since,
    );
  }
  const outOfTurn = (s: S, side: Side<G>, e: GameEvent, by: number) =>
    s.setup.mode === "relay" && by !== playerOf(side) ? (go.outOfTurn?.(s.params, side.go, e) ?? null) : null;

  const withSide = (s: S, i: number, change: Partial<Side<G>>): S => {
    const sides = [...s.sides];
    sides[i] = { ...sides[i]!, ...change };
    return { ...s, sides };
  };

  const shared = (s: Pick<S, "params" | "setup">) => go.meet?.shared(s.params, s.setup) ?? false;
  /** Where sides play for the same things: what side `i` made of them, told to the others. */
  function toOthers(s: S, i: number, mine: G, ms: number): S {
    return s.sides.reduce((next, x, k) => {
      if (k === i || x.done) return next;
      const went = go.meet!.tell(s.params, x.go, mine);
      const over = went.after === "end";
      return withSide(next, k, {
        go: went.go,
        ...(over && { kept: [{ go: went.go, ms, by: x.players[0]! }], done: true }),
      });
    }, s);
  }

  /** What an event made of side `i`: its go goes on, waits, or is kept; then the turn is handed on. */
  function took(before: S, i: number, went: StepResult<G>, ms: number): S {
    const s = shared(before) ? toOthers(before, i, went.go, ms) : before;
    if (went.after !== "end") {
      const on = withSide(s, i, { go: went.go, begun: true, rests: went.after === "part" && atOnce(s) });
      if (went.after === "part")
        return atOnce(s) ? together(on) : { ...on, waiting: clockOf(on, on.sides[i]!) !== null };
      return went.after === "on" ? on : pass(on, went.after);
    }
    const after = keep(s, i, went.go, ms);
    if (!atOnce(s)) return pass(after, "go");
    const first = firstEnds(s) && go.sum(s.params, went.go, ms).finished;
    const others = first ? active(after).filter((k) => k !== i) : [];
    return together(others.reduce((all, k) => keep(all, k, all.sides[k]!.go, ms), after));
  }
  /** A go of a side is over, and its next one begins where it has one. */
  function keep(s: S, i: number, over: G, ms: number): S {
    const x = s.sides[i]!;
    const kept = [...x.kept, { go: over, ms, by: playerOf(x) }];
    const done = kept.length >= x.goes;
    const next = done ? over : go.begin(s.params, { players: x.players, setup: s.setup });
    return withSide(s, i, { kept, done, go: next, begun: false, rests: !done && atOnce(s) });
  }
  const firstEnds = (s: Pick<S, "params" | "match" | "setup">): boolean =>
    s.setup.mode === "against" && s.match.swap === "once" && (go.race?.(s.params) ?? false);

  /** All at once: once each is done with its part, the next begins for all. */
  function together(s: S): S {
    if (s.sides.every((x) => x.done)) return { ...s, over: true, waiting: false };
    if (s.sides.some((x) => !x.done && !x.rests)) return s;
    const sides = s.sides.map((x) => ({ ...x, rests: false }));
    return { ...s, sides, side: sides.findIndex((x) => !x.done), waiting: true };
  }

  /** Hands the turn on after a hit, a miss, a budget spent or a whole go, and ends the match when nobody is left to send. */
  function pass(s: S, after: "hit" | "miss" | "spent" | "pass" | "go"): S {
    // One person alone goes on.
    if (after !== "go" && s.sides.length === 1 && s.sides[0]!.players.length === 1) return s;
    if (s.sides.every((x) => x.done)) return { ...s, over: true, waiting: false };
    const swap = swapOf(s);
    const moves =
      swap === "send" ||
      after === "pass" ||
      after === "go" ||
      (swap === "miss" && after !== "hit") ||
      (swap === "budget" && after === "spent");
    if (!moves) return s;
    const rotated = withSide(s, s.side, { at: s.sides[s.side]!.at + 1 });
    let side = s.side;
    do side = (side + 1) % s.sides.length;
    while (s.sides[side]!.done);
    if (races(s) && side <= s.side && s.sides.some((x) => finishedIn(s, x)))
      return { ...rotated, over: true, waiting: false };
    const next = { ...rotated, side };
    return after === "go" ? { ...next, waiting: clockOf(next, next.sides[side]!) !== null, since: s.last } : next;
  }
  const races = (s: S) =>
    s.match.end === "first" && s.setup.mode === "against" && swapOf(s) === "send" && s.match.goes.count === 1;
  const finishedIn = (s: S, x: Side<G>) => x.kept.some((k) => go.sum(s.params, k.go, k.ms).finished);

  /** The go under way counts like a finished one, so that a score exists at any moment. */
  const sumsOf = (s: S, x: Side<G>): Sum[] => {
    const kept = x.kept.map((k) => go.sum(s.params, k.go, k.ms));
    return x.done && kept.length > 0 ? kept : [...kept, go.sum(s.params, x.go, 0)];
  };
  const bestOf = (sums: readonly Sum[]) => sums.reduce((a, b) => (b.rank > a.rank ? b : a));
  const sumUp = (sums: readonly Sum[], f: (x: Sum) => number) => sums.reduce((n, x) => n + f(x), 0);

  /** What a side begins with, where points are scored and more are better. */
  const headIn = (s: S, x: Side<G>, { unit, better }: Sum) =>
    unit === "points" && better === "more" ? headStartOf(s.setup, x.players) : 0;

  function score(s: S): Score[] {
    return s.sides.map((x) => {
      const sums = sumsOf(s, x);
      const total = totalled(s, x);
      const { unit, better } = sums[0]!;
      const head = headIn(s, x, sums[0]!);
      const value = head + (total ? sumUp(sums, (g) => g.value) : bestOf(sums).value);
      return {
        players: x.players,
        value,
        soFar: value,
        unit,
        better,
        get working() {
          const own = workingOf(x, sums, total);
          return head > 0
            ? `${head} + ${own === "" ? value - head : own.includes("=") ? `(${own.split(" = ")[0]})` : own} = ${value}`
            : own;
        },
        rank: head + (total ? sumUp(sums, (g) => g.rank) : bestOf(sums).rank),
      };
    });
  }
  function workingOf(x: Side<G>, sums: readonly Sum[], total: boolean): string {
    if (x.goes > 1 && sums.length > 1) {
      const parts = sums.map((g) => g.value);
      return total ? `${parts.join(" + ")} = ${parts.reduce((a, b) => a + b, 0)}` : parts.join(", ");
    }
    return sums[sums.length - 1]!.working;
  }

  /** Whoever leaves takes its turns along, and the go under way where it is its own; what it made for its side stays. */
  function leave(s: S, who: number): S {
    const i = s.sides.findIndex((side) => side.players.includes(who));
    const x = s.sides[i]!;
    const rest = without(x.players, who, x.at);
    if (rest.length === 0) {
      const gone: S = { ...withSide(s, i, { done: true, rests: false }), out: [...(s.out ?? []), i] };
      return atOnce(s) ? together(gone) : i === s.side ? pass(gone, "go") : ended(gone);
    }
    if (go.together !== "each") return withSide(s, i, { players: rest });
    const goes = x.goes - (s.match.goes.count - x.kept.filter((k) => k.by === who).length);
    const own = playerOf(x) === who;
    const next = own ? go.begin(s.params, { players: rest, setup: s.setup }) : x.go;
    const done = x.kept.length >= goes;
    const left = withSide(s, i, { players: rest, goes, go: next, begun: x.begun && !own, done: x.done || done });
    if (!own || x.done) return left;
    if (done) return atOnce(s) ? together(left) : pass(left, "go");
    return { ...left, waiting: clockOf(left, left.sides[i]!) !== null, since: s.last };
  }
  /** It is over once nobody is left to send. */
  const ended = (s: S): S => (s.sides.every((x) => x.done) ? { ...s, over: true, waiting: false } : s);
  /** Before the first send of a go, where no clock runs. */
  function join(s: S, who: number, side: number | null): S | null {
    if (s.over || due(s) !== null || shared(s) || s.sides.some((x) => x.begun || x.rests)) return null;
    if (side !== null) {
      const x = s.sides[side];
      if (!x || x.done || isOut(s, side)) return null;
      const rounds = Math.floor(x.kept.length / x.players.length);
      const more = go.together === "each" ? s.match.goes.count - rounds : 0;
      const players = including(x.players, who, x.at);
      // A go is begun for those who play it.
      return withSide(s, side, { players, goes: x.goes + more, go: go.begin(s.params, { players, setup: s.setup }) });
    }
    if (s.setup.mode === "relay" || s.sides.some((x) => x.players.length > 1)) return null;
    const goes = Math.max(...s.sides.map((x) => x.goes - x.kept.length));
    if (goes === 0) return null;
    const begun = go.begin(s.params, { players: [who], setup: s.setup });
    const at = { goes, begun: false, at: 0, kept: [], done: false, rests: false };
    return { ...s, sides: [...s.sides, { players: [who], go: begun, ...at }] };
  }

  function progress(s: S): Progress[] {
    const scores = score(s);
    return s.sides.map((x, i) => {
      const sums = sumsOf(s, x);
      return {
        sends: sumUp(sums, (g) => g.sends),
        rounds: x.kept.length,
        points: scores[i]!.value,
        // What compares with other goes is what was played for.
        own: scores[i]!.value - headIn(s, x, sums[0]!),
        stage: Math.max(...sums.map((g) => g.stage)),
        stages: sums[0]!.stages,
        finished: totalled(s, x) ? sums.every((g) => g.finished) : sums.some((g) => g.finished),
      };
    });
  }

  function ending(s: S): Ending | null {
    if (!s.over) return null;
    const goes = s.sides.flatMap((x) => x.kept.map((k) => k.go));
    const reason = go.ended(s.params, { finished: s.sides.some((x) => finishedIn(s, x)) }, goes);
    if (s.setup.mode !== "against" || s.sides.length < 2) return { reason, winners: [] };
    // Who is out is not ranked, and nobody wins against nobody.
    const ranks = score(s).map((x, i) => (isOut(s, i) ? Number.NEGATIVE_INFINITY : x.rank));
    if (ranks.filter((r) => r > Number.NEGATIVE_INFINITY).length < 2) return { reason, winners: [] };
    return { reason, winners: mostOf(ranks) };
  }

  function turn(s: S): { player: number; side: number; now: Phrase } {
    const side = active(s)[0] ?? s.side;
    const at = { player: playerOf(s.sides[side]!), side };
    if (s.over) return { ...at, now: { key: "play.over" } };
    if (s.waiting) return { ...at, now: { key: "play.ready" } };
    return { ...at, now: go.now(s.params, s.sides[side]!.go) };
  }

  function key(s: S): string {
    const inState = s.timing === "state";
    const kept = (k: Kept<G>) => {
      const sum = go.sum(s.params, k.go, inState ? k.ms : 0);
      return [sum.value, sum.rank, sum.sends, sum.stage, sum.finished ? 1 : 0];
    };
    const sides = s.sides.map((x) => [
      x.done ? 0 : go.key(s.params, x.go),
      x.kept.map(kept),
      x.players.length > 1 ? x.at % x.players.length : 0,
      x.rests ? 1 : 0,
    ]);
    return JSON.stringify([sides, s.side, s.waiting, s.over, inState ? s.last - s.since : 0]);
  }

  /** Of one side with one go: where there are more, a go that is over is compared with others. */
  function counters(params: P, match: Match, setup: Setup): Counters<S> | null {
    const list = go.counters?.(params, match) ?? [];
    const first = start(params, match, setup);
    if (list.length === 0 || first.sides.length > 1 || first.sides[0]!.goes > 1 || first.timing !== "none") return null;
    const goOf = (s: S) => s.sides[0]!.kept[0]?.go ?? s.sides[0]!.go;
    const put = (s: S, i: number, n: number): S => {
      const [x] = s.sides;
      const next = list[i]!.put(goOf(s), n);
      return withSide(s, 0, { go: next, kept: x!.kept.map((k) => ({ ...k, go: next })) });
    };
    return {
      of: (s) => list.map((c) => c.of(goOf(s))),
      put,
      feeds: (figure) => {
        const i = list.findIndex((c) => c.feeds.includes(figure));
        return i < 0 ? null : i;
      },
      key: (s) => key(list.reduce((at, _, i) => put(at, i, 0), s)),
    };
  }

  return {
    start,
    counters,
    asks,
    step,
    due,
    clock: (params, m, setup) => start(params, m, setup).timing,
    sidesMeet: (params, m, setup) =>
      setup.mode === "against" && (shared({ params, setup }) || races(start(params, m, setup))),
    firstEnds: (params, match, setup) => firstEnds({ params, match, setup }),
    key,
    turn,
    done: (s) => go.done(s.params, s.sides[active(s)[0] ?? s.side]!.go),
    score,
    ending,
    progress,
    leave,
    join,
  };
}
