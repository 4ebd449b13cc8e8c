import { type AimOf, type Ask, type Manner, PLAIN } from "../../asks/ask.ts";
import { mayBeOut } from "../../asks/forced.ts";
import {
  type Ending,
  type Phrase,
  type Possible,
  type Progress,
  type Refusal,
  type Rules,
  refuse,
  type Score,
  type Setup,
} from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import { headStartOf } from "../../contract/people.ts";
import type { GameEvent } from "../../events/events.ts";
import { READY } from "../../match/clock.ts";
import { joins, leaves, sideOf } from "../../match/company.ts";
import { endOf, note, sumOfMany } from "../../match/end.ts";
import { oneClock, type Timed, tableAt } from "../../match/one-clock.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { MAX_BATTERS, MAX_TRIPS, OUTS, type Out, SWINGS } from "./limits.ts";
import type { BasesParams } from "./schema.ts";

/** Somebody on a base. `player` null: an invisible runner who holds it. */
export interface Runner {
  player: number | null;
  base: number;
}
export interface BasesState extends Timed {
  params: BasesParams;
  runs: readonly number[];
  /** The runs of every turn so far, by side. */
  turns: readonly (readonly number[])[];
  /** The runners left on base at the end of turns. */
  left: readonly number[];
  inning: number;
  side: number;
  /** The place in the batting order of each side. */
  order: readonly number[];
  runners: readonly Runner[];
  outs: number;
  batters: number;
  misses: number;
  /** Hits or trips so far, by side. */
  batted: readonly number[];
}

const contest = (s: Pick<BasesState, "setup">): boolean => s.setup.mode === "against";
export const homeOf = (params: BasesParams): number => params.bases + 1;

function start(params: BasesParams, match: Match, setup: Setup): BasesState {
  const table = tableAt(match, setup);
  const { sides } = table;
  return {
    ...table,
    params,
    runs: sides.map((side) => headStartOf(setup, side)),
    turns: sides.map(() => []),
    left: sides.map(() => 0),
    inning: 1,
    side: 0,
    order: sides.map(() => 0),
    runners: [],
    outs: 0,
    batters: 0,
    misses: 0,
    batted: sides.map(() => 0),
  };
}

const onBase = (state: BasesState, player: number) => state.runners.some((runner) => runner.player === player);
/** Who bats: the next player of the side who is not on a base. Null if all of them are. */
function batterOf(state: BasesState): number | null {
  const side = state.sides[state.side]!;
  for (let i = 0; i < side.length; i++) {
    const player = side[(state.order[state.side]! + i) % side.length]!;
    if (!onBase(state, player)) return player;
  }
  return null;
}
/** The runners that an invisible runner can stand in for: everybody on a base. */
const callable = (state: BasesState): string[] =>
  state.runners.flatMap((runner, i) => (runner.player === null ? [] : [`r${i + 1}`]));
export const mannerOf = memoizeByIdentity((_: BasesParams): Manner => PLAIN);

const aims = memoizeByIdentity((_: BasesParams) => new Map<string, AimOf<"bat">>());
function aimOf(state: BasesState, batter: number): AimOf<"bat"> {
  const { params, runners } = state;
  const fielders = contest(state) ? state.sides[1 - state.side]! : [];
  const names = runners.map((runner) => runner.player);
  const key = `${JSON.stringify([runners, fielders])} ${batter}`;
  let aim = aims(params).get(key);
  if (!aim) {
    aim = {
      kind: "bat",
      runners: runners.map((runner) => runner.base),
      names,
      fielders,
      home: homeOf(params),
      side: params.side,
      put: params.put,
      outs: params.outs,
    };
    aims(params).set(key, aim);
  }
  return aim;
}

function asks(state: BasesState): Ask[] {
  const { params } = state;
  const first = firstOf(state);
  const batter = batterOf(state);
  const call: Ask[] =
    params.waiting && callable(state).length > 0
      ? [
          {
            kind: "choose",
            player: batter ?? first,
            of: "waiting",
            options: callable(state),
            who: state.runners.flatMap((runner) => (runner.player === null ? [] : [runner.player])),
            ...(batter === null ? { must: true as const, alike: true as const } : { optional: true as const }),
            takes: { by: [first], seconds: 2, walk: 0, moving: false },
          },
        ]
      : [];
  if (batter === null) return call;
  if (params.trips) {
    const takes = { by: [batter], seconds: READY, walk: params.side, moving: true };
    return [{ kind: "total", player: batter, soFar: 1, most: MAX_TRIPS, takes }];
  }
  const bat: Ask = {
    kind: "send",
    player: batter,
    from: "start",
    manner: mannerOf(params),
    aim: aimOf(state, batter),
    fetch: true,
  };
  return [bat, ...call];
}
const firstOf = (state: BasesState) => state.sides[state.side]![0]!;

type Ran = typeof ran;
const clocked = (ran: Ran) =>
  oneClock<BasesState>({
    limit: (state) => state.match.seconds,
    between: (state) => state.runners.length === 0,
    bell: changed,
    asks,
    first: firstOf,
    step(state, event) {
      if (event.kind === "choose") return called(state, event);
      if (batterOf(state) === null) return refuse("refused.callRunner");
      if (event.kind === "total" && state.params.trips) {
        if (event.n > MAX_TRIPS) return refuse("refused.runMost", { most: MAX_TRIPS });
        return batted(scored(state, event.n), 0);
      }
      if (event.kind === "run" && !state.params.trips) return ran(state, event);
      return refuse("refused.notInGame", { kind: event.kind });
    },
  });

/** A player who leaves a base leaves it empty. The other side plays on against those who are left. */
function leave(state: BasesState, who: number): BasesState {
  const batting = batterOf(state) === who;
  const side = sideOf(state, who);
  const next = leaves(state, who, state.order[side]!);
  if (next.over) return next;
  const rest = {
    ...next,
    runners: state.runners.filter((runner) => runner.player !== who),
    misses: batting ? 0 : state.misses,
  };
  // Those who are left may all be on a base.
  return side === state.side && !state.waiting && ended(rest) ? changed(rest) : rest;
}
/** Between the turns at bat. */
const fresh = (state: BasesState) =>
  !state.over && state.batters === 0 && state.misses === 0 && state.runners.length === 0;

const scored = (state: BasesState, count: number): BasesState =>
  count === 0 ? state : { ...state, runs: state.runs.map((run, i) => (i === state.side ? run + count : run)) };

function called(state: BasesState, e: Extract<GameEvent, { kind: "choose" }>): BasesState | Refusal {
  if (!state.params.waiting || e.of !== "waiting") return refuse("refused.notInGame", { kind: e.kind });
  if (e.pick === null || !callable(state).includes(e.pick)) return refuse("refused.noRunner");
  const i = Number(e.pick.slice(1)) - 1;
  return { ...state, runners: state.runners.map((runner, k) => (k === i ? { ...runner, player: null } : runner)) };
}

/** The batter is done, with this many more outs. The next one bats, or the other side. */
function batted(state: BasesState, outs: number, batter = batterOf(state)): BasesState {
  const side = state.sides[state.side]!;
  const place = batter === null ? 0 : side.indexOf(batter);
  const next: BasesState = {
    ...state,
    outs: state.outs + outs,
    batters: state.batters + 1,
    misses: 0,
    order: state.order.map((n, i) => (i === state.side ? (place + 1) % side.length : n)),
    batted: state.batted.map((n, i) => (i === state.side ? n + 1 : n)),
  };
  return ended(next) ? changed(next) : next;
}
function ended(state: BasesState): boolean {
  const { turn, waiting } = state.params;
  if (turn.by === "outs" && state.outs >= turn.outs) return true;
  if (turn.by === "batters" && state.batters >= turn.batters) return true;
  if (state.batters >= MAX_BATTERS) return true;
  // Nobody is left to bat, and nobody may wait for them.
  return batterOf(state) === null && !waiting;
}
/** The other side bats, the next inning begins, or the game is over. */
function changed(state: BasesState): BasesState {
  const before =
    state.turns[state.side]!.reduce((sum, b) => sum + b, 0) + headStartOf(state.setup, state.sides[state.side]!);
  const turns = state.turns.map((eachTurn, i) =>
    i === state.side ? [...eachTurn, state.runs[i]! - before] : eachTurn,
  );
  const left = state.left.map((n, i) => (i === state.side ? n + state.runners.length : n));
  const lastSide = state.side === state.sides.length - 1;
  const over = lastSide && state.inning >= state.params.innings;
  return {
    ...state,
    turns,
    left,
    runners: [],
    outs: 0,
    batters: 0,
    misses: 0,
    side: over ? state.side : lastSide ? 0 : state.side + 1,
    inning: lastSide && !over ? state.inning + 1 : state.inning,
    waiting: !over && state.match.seconds !== null,
    over,
  };
}

function ran(state: BasesState, e: Extract<GameEvent, { kind: "run" }>, forcedOnly = true): BasesState | Refusal {
  const { params, runners } = state;
  const allowed = (option: Out) => params.outs.includes(option);
  if (e.missed) {
    const misses = state.misses + 1;
    return allowed("swings") && misses >= SWINGS
      ? batted({ ...state, misses }, 1)
      : { ...state, misses: Math.min(misses, SWINGS) };
  }
  // A catch puts the batter out and ends the play. Everybody else stays where they were.
  if (e.caught) return allowed("caught") ? batted(state, 1) : refuse("refused.noSuchOut");
  const home = homeOf(params);
  if (e.reached?.length !== runners.length + 1) return refuse("refused.everyRunner", { count: runners.length + 1 });
  const bat = e.reached[runners.length]!;
  const out = e.out ?? [];
  if (out.length > 0 && !allowed("tagged") && !allowed("first")) return refuse("refused.noSuchOut");
  if (new Set(out).size !== out.length || out.some((i) => i > runners.length)) return refuse("refused.noRunner");
  const to: number[] = [];
  for (const [i, base] of e.reached.entries()) {
    const from = runners[i]?.base ?? 0;
    if (base < from || base > home) return refuse("refused.noSuchBase");
    // An invisible runner moves as many bases as the batter.
    const invisible = i < runners.length && runners[i]!.player === null;
    const by = invisible ? (["first"] as const) : forcedOnly ? params.outs : OUTS;
    if (
      out.includes(i) &&
      !mayBeOut(
        runners.map((runner) => runner.base),
        i,
        by,
      )
    )
      return refuse("refused.notForced");
    to.push(invisible ? Math.min(home, from + bat) : base);
  }
  const batter = batterOf(state)!;
  const all = [...runners, { player: batter, base: 0 }];
  const runs = to.filter((base, i) => base === home && !out.includes(i)).length;
  // A batter who stops before the first base is off: neither out nor on base.
  const stay = all.flatMap((runner, i) =>
    out.includes(i) || to[i]! === 0 || to[i]! === home ? [] : [{ player: runner.player, base: to[i]! }],
  );
  stay.sort((a, b) => b.base - a.base);
  return batted(scored({ ...state, runners: stay }, runs), out.length, batter);
}

function score(state: BasesState): Score[] {
  return state.sides.map((players, i) => {
    const head = headStartOf(state.setup, players);
    const done = state.turns[i]!;
    const open = state.runs[i]! - head - done.reduce((sum, b) => sum + b, 0);
    const all = [...(head > 0 ? [head] : []), ...done, ...(!state.over && i === state.side ? [open] : [])];
    return {
      players,
      value: state.runs[i]!,
      soFar: state.runs[i]!,
      unit: "runs",
      better: "more",
      working: [sumOfMany(all, state.runs[i]!), ...(state.left[i]! > 0 ? [note("leftOnBase", state.left[i])] : [])]
        .filter((text) => text !== "")
        .join(" "),
      rank: state.runs[i]!,
    };
  });
}

function ending(state: BasesState): Ending | null {
  if (!state.over) return null;
  const reason: Phrase = { key: "bases.end", params: { innings: state.params.innings } };
  return endOf(state, reason, contest(state) ? state.runs : null);
}

function turn(state: BasesState): { player: number; side: number; now: Phrase } {
  const batter = batterOf(state);
  const at = { side: state.side, player: batter ?? state.sides[state.side]![0]! };
  if (state.over) return { ...at, now: { key: "play.over" } };
  if (state.waiting) return { ...at, now: { key: "play.ready" } };
  if (batter === null) return { ...at, now: { key: "bases.call" } };
  if (state.params.trips) return { ...at, now: { key: "bases.trips" } };
  return { ...at, now: { key: `bases.${state.params.put}`, params: { outs: state.outs, inning: state.inning } } };
}

function progress(state: BasesState): Progress[] {
  return state.sides.map((side, i) => ({
    sends: state.batted[i]!,
    rounds: state.turns[i]!.length,
    points: state.runs[i]!,
    own: state.runs[i]! - headStartOf(state.setup, side),
    stage: state.turns[i]!.length,
    stages: state.params.innings,
    finished: state.over,
  }));
}

const key = (state: BasesState): string =>
  JSON.stringify([
    state.runs,
    state.inning,
    state.side,
    state.order,
    state.runners,
    state.outs,
    state.batters,
    state.misses,
    state.batted,
    state.waiting,
  ]);

/** A ball is hit, kicked or thrown and a circuit is run: runs, outs and innings. */
export const basesRules: Rules<BasesParams, BasesState> = {
  start,
  ...clocked(ran),
  clock: (_, match) => (match.seconds === null ? "none" : "bell"),
  sidesMeet: () => true,
  key,
  turn,
  done: () => [],
  score,
  ending,
  progress,
  leave,
  join: (state, who, side) => (side !== null && fresh(state) ? joins(state, who, side, state.order[side]!) : null),
};

/** Until version 2 anybody could be out at the first base. */
export const basesRules1: Rules<BasesParams, BasesState> = {
  ...basesRules,
  ...clocked((state, e) => ran(state, e, false)),
};

/** On paper: the runs of one child alone. */
export function possible(params: BasesParams): Possible {
  const batters = params.turn.by === "batters" ? Math.min(params.turn.batters, MAX_BATTERS) : MAX_BATTERS;
  const most = params.innings * batters * (params.trips ? MAX_TRIPS : 1);
  return {
    unit: "runs",
    better: "more",
    least: 0,
    most,
    values: null,
    finished: { least: 0, most },
    stages: params.innings,
  };
}
