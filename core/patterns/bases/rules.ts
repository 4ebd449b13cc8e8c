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
import { headStartOf, whoPlays } from "../../contract/people.ts";
import type { GameEvent } from "../../events/events.ts";
import { joins, leaves, sideOf } from "../../match/company.ts";
import { endOf, note, sumOfMany } from "../../match/end.ts";
import { oneClock, READY, type Timed } from "../../match/one-clock.ts";
import { twoSides } from "../../match/two-sides.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { type BasesParams, MAX_BATTERS, MAX_TRIPS, OUTS, type Out, SWINGS } from "./params.ts";

/** Somebody on a base; `player` null: an invisible runner that holds it. */
export interface Runner {
  player: number | null;
  base: number;
}
export interface BasesState extends Timed {
  params: BasesParams;
  runs: readonly number[];
  /** Runs of every turn so far, by side. */
  turns: readonly (readonly number[])[];
  /** Left on base at the end of turns. */
  left: readonly number[];
  inning: number;
  side: number;
  /** Whose turn to bat it is in each side, by place. */
  order: readonly number[];
  runners: readonly Runner[];
  outs: number;
  batters: number;
  misses: number;
  /** Hits or trips so far, by side. */
  batted: readonly number[];
}

const contest = (s: Pick<BasesState, "setup">): boolean => s.setup.mode === "against";
export const homeOf = (p: BasesParams): number => p.bases + 1;

function start(params: BasesParams, match: Match, setup: Setup): BasesState {
  const sides = setup.mode === "against" ? twoSides(setup) : [whoPlays(setup)];
  return {
    setup,
    params,
    match,
    sides,
    runs: sides.map((x) => headStartOf(setup, x)),
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
    waiting: match.seconds !== null,
    since: 0,
    carried: 0,
    last: 0,
    over: false,
  };
}

const onBase = (s: BasesState, player: number) => s.runners.some((r) => r.player === player);
/** Who bats: the next of the side that is not on a base; null: all of them are. */
function batterOf(s: BasesState): number | null {
  const side = s.sides[s.side]!;
  for (let i = 0; i < side.length; i++) {
    const player = side[(s.order[s.side]! + i) % side.length]!;
    if (!onBase(s, player)) return player;
  }
  return null;
}
/** Whom a waiting runner can be called for: everybody who stands on a base. */
const callable = (s: BasesState): string[] => s.runners.flatMap((r, i) => (r.player === null ? [] : [`r${i + 1}`]));
export const mannerOf = memoizeByIdentity((_: BasesParams): Manner => PLAIN);

const aims = memoizeByIdentity((_: BasesParams) => new Map<string, AimOf<"bat">>());
function aimOf(s: BasesState, batter: number): AimOf<"bat"> {
  const { params: p, runners } = s;
  const fielders = contest(s) ? s.sides[1 - s.side]! : [];
  const names = runners.map((r) => r.player);
  const key = `${JSON.stringify([runners, fielders])} ${batter}`;
  let aim = aims(p).get(key);
  if (!aim) {
    aim = {
      kind: "bat",
      runners: runners.map((r) => r.base),
      names,
      fielders,
      home: homeOf(p),
      side: p.side,
      put: p.put,
      outs: p.outs,
    };
    aims(p).set(key, aim);
  }
  return aim;
}

function asks(s: BasesState): Ask[] {
  const { params: p } = s;
  const first = firstOf(s);
  const batter = batterOf(s);
  const call: Ask[] =
    p.waiting && callable(s).length > 0
      ? [
          {
            kind: "choose",
            player: batter ?? first,
            of: "waiting",
            options: callable(s),
            who: s.runners.flatMap((r) => (r.player === null ? [] : [r.player])),
            ...(batter === null ? { must: true as const, alike: true as const } : { optional: true as const }),
            takes: { by: [first], seconds: 2, walk: 0, moving: false },
          },
        ]
      : [];
  if (batter === null) return call;
  if (p.trips) {
    const takes = { by: [batter], seconds: READY, walk: p.side, moving: true };
    return [{ kind: "total", player: batter, soFar: 1, most: MAX_TRIPS, takes }];
  }
  const bat: Ask = {
    kind: "send",
    player: batter,
    from: "start",
    manner: mannerOf(p),
    aim: aimOf(s, batter),
    fetch: true,
  };
  return [bat, ...call];
}
const firstOf = (s: BasesState) => s.sides[s.side]![0]!;

type Ran = typeof ran;
const clocked = (ran: Ran) =>
  oneClock<BasesState>({
    limit: (s) => s.match.seconds,
    between: (s) => s.runners.length === 0,
    bell: changed,
    asks,
    first: firstOf,
    step(s, e) {
      if (e.kind === "choose") return called(s, e);
      if (batterOf(s) === null) return refuse("refused.callRunner");
      if (e.kind === "total" && s.params.trips) {
        if (e.n > MAX_TRIPS) return refuse("refused.runMost", { most: MAX_TRIPS });
        return batted(scored(s, e.n), 0);
      }
      if (e.kind === "run" && !s.params.trips) return ran(s, e);
      return refuse("refused.notInGame", { kind: e.kind });
    },
  });

/** Whoever leaves from a base leaves it empty; the other side goes on against those who are left. */
function leave(s: BasesState, who: number): BasesState {
  const batting = batterOf(s) === who;
  const side = sideOf(s, who);
  const next = leaves(s, who, s.order[side]!);
  if (next.over) return next;
  const rest = { ...next, runners: s.runners.filter((r) => r.player !== who), misses: batting ? 0 : s.misses };
  // Those who are left may all stand on a base.
  return side === s.side && !s.waiting && ended(rest) ? changed(rest) : rest;
}
/** Between the turns at bat. */
const fresh = (s: BasesState) => !s.over && s.batters === 0 && s.misses === 0 && s.runners.length === 0;

const scored = (s: BasesState, n: number): BasesState =>
  n === 0 ? s : { ...s, runs: s.runs.map((x, i) => (i === s.side ? x + n : x)) };

function called(s: BasesState, e: Extract<GameEvent, { kind: "choose" }>): BasesState | Refusal {
  if (!s.params.waiting || e.of !== "waiting") return refuse("refused.notInGame", { kind: e.kind });
  if (e.pick === null || !callable(s).includes(e.pick)) return refuse("refused.noRunner");
  const i = Number(e.pick.slice(1)) - 1;
  return { ...s, runners: s.runners.map((r, k) => (k === i ? { ...r, player: null } : r)) };
}

/** The batter is done: so many outs more; the next one, or the other side. */
function batted(s: BasesState, outs: number, batter = batterOf(s)): BasesState {
  const side = s.sides[s.side]!;
  const place = batter === null ? 0 : side.indexOf(batter);
  const next: BasesState = {
    ...s,
    outs: s.outs + outs,
    batters: s.batters + 1,
    misses: 0,
    order: s.order.map((n, i) => (i === s.side ? (place + 1) % side.length : n)),
    batted: s.batted.map((n, i) => (i === s.side ? n + 1 : n)),
  };
  return ended(next) ? changed(next) : next;
}
function ended(s: BasesState): boolean {
  const { turn, waiting } = s.params;
  if (turn.by === "outs" && s.outs >= turn.outs) return true;
  if (turn.by === "batters" && s.batters >= turn.batters) return true;
  if (s.batters >= MAX_BATTERS) return true;
  // Nobody is left to bat, and nobody may wait for them.
  return batterOf(s) === null && !waiting;
}
/** The other side bats, or the next inning begins, or it is over. */
function changed(s: BasesState): BasesState {
  const before = s.turns[s.side]!.reduce((a, b) => a + b, 0) + headStartOf(s.setup, s.sides[s.side]!);
  const turns = s.turns.map((t, i) => (i === s.side ? [...t, s.runs[i]! - before] : t));
  const left = s.left.map((n, i) => (i === s.side ? n + s.runners.length : n));
  const lastSide = s.side === s.sides.length - 1;
  const over = lastSide && s.inning >= s.params.innings;
  return {
    ...s,
    turns,
    left,
    runners: [],
    outs: 0,
    batters: 0,
    misses: 0,
    side: over ? s.side : lastSide ? 0 : s.side + 1,
    inning: lastSide && !over ? s.inning + 1 : s.inning,
    waiting: !over && s.match.seconds !== null,
    over,
  };
}

function ran(s: BasesState, e: Extract<GameEvent, { kind: "run" }>, forcedOnly = true): BasesState | Refusal {
  const { params: p, runners } = s;
  const allowed = (o: Out) => p.outs.includes(o);
  if (e.missed) {
    const misses = s.misses + 1;
    return allowed("swings") && misses >= SWINGS
      ? batted({ ...s, misses }, 1)
      : { ...s, misses: Math.min(misses, SWINGS) };
  }
  // A catch makes the batter out and the play dead: everybody else stands where they stood.
  if (e.caught) return allowed("caught") ? batted(s, 1) : refuse("refused.noSuchOut");
  const home = homeOf(p);
  if (e.reached?.length !== runners.length + 1) return refuse("refused.everyRunner", { count: runners.length + 1 });
  const bat = e.reached[runners.length]!;
  const out = e.out ?? [];
  if (out.length > 0 && !allowed("tagged") && !allowed("first")) return refuse("refused.noSuchOut");
  if (new Set(out).size !== out.length || out.some((i) => i > runners.length)) return refuse("refused.noRunner");
  const to: number[] = [];
  for (const [i, base] of e.reached.entries()) {
    const from = runners[i]?.base ?? 0;
    if (base < from || base > home) return refuse("refused.noSuchBase");
    // An invisible runner moves as many bases as the batter makes.
    const invisible = i < runners.length && runners[i]!.player === null;
    const by = invisible ? (["first"] as const) : forcedOnly ? p.outs : OUTS;
    if (
      out.includes(i) &&
      !mayBeOut(
        runners.map((r) => r.base),
        i,
        by,
      )
    )
      return refuse("refused.notForced");
    to.push(invisible ? Math.min(home, from + bat) : base);
  }
  const batter = batterOf(s)!;
  const all = [...runners, { player: batter, base: 0 }];
  const runs = to.filter((base, i) => base === home && !out.includes(i)).length;
  // Whoever bats and is stopped before the first base is off: neither out nor on base.
  const stay = all.flatMap((r, i) =>
    out.includes(i) || to[i]! === 0 || to[i]! === home ? [] : [{ player: r.player, base: to[i]! }],
  );
  stay.sort((a, b) => b.base - a.base);
  return batted(scored({ ...s, runners: stay }, runs), out.length, batter);
}

function score(s: BasesState): Score[] {
  return s.sides.map((players, i) => {
    const head = headStartOf(s.setup, players);
    const done = s.turns[i]!;
    const open = s.runs[i]! - head - done.reduce((a, b) => a + b, 0);
    const all = [...(head > 0 ? [head] : []), ...done, ...(!s.over && i === s.side ? [open] : [])];
    return {
      players,
      value: s.runs[i]!,
      soFar: s.runs[i]!,
      unit: "runs",
      better: "more",
      working: [sumOfMany(all, s.runs[i]!), ...(s.left[i]! > 0 ? [note("leftOnBase", s.left[i])] : [])]
        .filter((t) => t !== "")
        .join(" "),
      rank: s.runs[i]!,
    };
  });
}

function ending(s: BasesState): Ending | null {
  if (!s.over) return null;
  const reason: Phrase = { key: "bases.end", params: { innings: s.params.innings } };
  return endOf(s, reason, contest(s) ? s.runs : null);
}

function turn(s: BasesState): { player: number; side: number; now: Phrase } {
  const batter = batterOf(s);
  const at = { side: s.side, player: batter ?? s.sides[s.side]![0]! };
  if (s.over) return { ...at, now: { key: "play.over" } };
  if (s.waiting) return { ...at, now: { key: "play.ready" } };
  if (batter === null) return { ...at, now: { key: "bases.call" } };
  if (s.params.trips) return { ...at, now: { key: "bases.trips" } };
  return { ...at, now: { key: `bases.${s.params.put}`, params: { outs: s.outs, inning: s.inning } } };
}

function progress(s: BasesState): Progress[] {
  return s.sides.map((x, i) => ({
    sends: s.batted[i]!,
    rounds: s.turns[i]!.length,
    points: s.runs[i]!,
    own: s.runs[i]! - headStartOf(s.setup, x),
    stage: s.turns[i]!.length,
    stages: s.params.innings,
    finished: s.over,
  }));
}

const key = (s: BasesState): string =>
  JSON.stringify([s.runs, s.inning, s.side, s.order, s.runners, s.outs, s.batters, s.misses, s.batted, s.waiting]);

/** A ball is hit, kicked or thrown, and a circuit is run: runs, outs and innings. */
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
  join: (s, who, side) => (side !== null && fresh(s) ? joins(s, who, side, s.order[side]!) : null),
};

/** Until version 2 anybody could be out at the first base. */
export const basesRules1: Rules<BasesParams, BasesState> = { ...basesRules, ...clocked((s, e) => ran(s, e, false)) };

/** Written on paper: the runs of a child alone. */
export function possible(p: BasesParams): Possible {
  const batters = p.turn.by === "batters" ? Math.min(p.turn.batters, MAX_BATTERS) : MAX_BATTERS;
  const most = p.innings * batters * (p.trips ? MAX_TRIPS : 1);
  return {
    unit: "runs",
    better: "more",
    least: 0,
    most,
    values: null,
    finished: { least: 0, most },
    stages: p.innings,
  };
}
