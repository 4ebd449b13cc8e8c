import type { GameEvent } from "../../records/events.ts";
import {
  type BaseState,
  type Ending,
  type Legal,
  type NextSend,
  type NextSure,
  type Phrase,
  type Possible,
  type Refusal,
  refuse,
  type Score,
  type Setup,
  type Tally,
} from "../contract.ts";
import type { ClimbParams } from "./params.ts";

/** One finished go of one climber. Milliseconds. */
interface Go {
  rung: number;
  sends: number;
  points: number;
  time: number;
  top: boolean;
  each: readonly number[];
  laps: readonly number[];
}
interface Climber {
  rung: number;
  sends: number;
  points: number;
  /** Misses since the last forfeit. */
  misses: number;
  /** Sends at each rung so far, and when each was left, milliseconds since the go began: for the working alone. */
  each: readonly number[];
  laps: readonly number[];
  goes: readonly Go[];
  done: boolean;
}
export interface ClimbState extends BaseState {
  params: ClimbParams;
  /** Target ids, or `l1`, `l2` for lines, in the order they are climbed. */
  rungs: readonly string[];
  climbers: readonly Climber[];
  player: number;
  /** A forfeit is owed by the player whose turn it is. */
  owes: boolean;
  /** The clock of this go waits for its start. */
  waiting: boolean;
  /** When this go began, and the last thing seen, milliseconds since the play began. */
  since: number;
  last: number;
  over: boolean;
}

const FRESH: Climber = { rung: 0, sends: 0, points: 0, misses: 0, each: [], laps: [], goes: [], done: false };

export const clocked = (p: ClimbParams): boolean => p.timeLimit !== null || p.scoring.by === "time";

export function rungsOf({ ladder }: ClimbParams): string[] {
  if (ladder.kind === "line") return ladder.lines.map((_, i) => `l${i + 1}`);
  const sign = ladder.order === "nearest" ? 1 : ladder.order === "farthest" ? -1 : 0;
  return [...ladder.targets].sort((a, b) => sign * (a.distance - b.distance)).map((t) => t.id);
}

export function start(params: ClimbParams, setup: Setup): ClimbState {
  const climbers = Array.from({ length: setup.mode === "relay" ? 1 : setup.players }, () => FRESH);
  return {
    setup,
    params,
    rungs: rungsOf(params),
    climbers,
    player: 0,
    owes: false,
    waiting: clocked(params),
    since: 0,
    last: 0,
    over: false,
  };
}

const shared = (s: ClimbState) => s.setup.mode === "relay";
const sideOf = (s: ClimbState, player: number) => (shared(s) ? 0 : player);
const current = (s: ClimbState) => s.climbers[sideOf(s, s.player)]!;
/** With a clock, a go is never cut up between players who each have their own. */
const swapOf = (s: ClimbState) => (clocked(s.params) && !shared(s) ? "go" : s.params.swap);
const wanted = (s: ClimbState) => {
  const { ladder } = s.params;
  return ladder.kind === "line" ? ladder.target.id : s.rungs[current(s).rung]!;
};
const targetIds = ({ ladder }: ClimbParams) =>
  ladder.kind === "line" ? [ladder.target.id] : ladder.targets.map((t) => t.id);
export const worthOf = (p: ClimbParams, rung: number) =>
  p.scoring.by === "points" ? p.scoring.first + rung * p.scoring.growth : 0;
/** The bell of the go under way. */
export const due = (s: ClimbState): number | null =>
  s.params.timeLimit === null || s.waiting || s.over ? null : s.since + s.params.timeLimit * 1000;

export function legal(s: ClimbState): Legal[] {
  if (s.over) return [];
  if (s.waiting) return [{ kind: "ready" }];
  const dueAt = due(s);
  const bell: Legal[] = dueAt === null ? [] : [{ kind: "bell", dueAt }];
  if (s.owes) return [{ kind: "forfeit", exercise: s.params.forfeit!.exercise, dose: s.params.forfeit!.dose }, ...bell];
  return [{ kind: "send", want: wanted(s), targets: targetIds(s.params) }, ...bell];
}

export function step(s: ClimbState, e: GameEvent): ClimbState | Refusal {
  if (s.over) return refuse("refused.over");
  if (e.at < s.last) return refuse("refused.earlier");
  const dueAt = due(s);
  if (s.waiting) {
    if (e.kind !== "ready") return refuse("refused.notStarted");
    return { ...s, waiting: false, since: e.at, last: e.at };
  }
  switch (e.kind) {
    case "bell":
      if (dueAt === null) return refuse("refused.noBell");
      if (e.at < dueAt) return refuse("refused.bellEarly", { seconds: Math.ceil((dueAt - e.at) / 1000) });
      return endGo({ ...s, last: e.at }, false, dueAt - s.since);
    case "forfeit":
      if (!s.owes) return refuse("refused.noForfeit");
      if (dueAt !== null && e.at > dueAt) return refuse("refused.afterBell");
      return pass(withClimber({ ...s, owes: false, last: e.at }, { misses: 0 }), "miss");
    case "send":
      if (s.owes) return refuse("refused.forfeitFirst", { exercise: s.params.forfeit!.exercise });
      if (dueAt !== null && e.at > dueAt) return refuse("refused.afterBell");
      if (e.hit !== null && !targetIds(s.params).includes(e.hit))
        return refuse("refused.unknownTarget", { target: e.hit });
      return sent({ ...s, last: e.at }, e.hit);
    default:
      return refuse("refused.notInGame", { kind: e.kind });
  }
}

function sent(s: ClimbState, hit: string | null): ClimbState {
  const c = current(s);
  const p = s.params;
  const sends = c.sends + 1;
  const spent = p.tries !== null && sends >= p.tries;
  if (hit !== null && hit === wanted(s)) {
    const points = c.points + worthOf(p, c.rung);
    const laps = [...c.laps, s.last - s.since];
    const up = withClimber(s, { rung: c.rung + 1, sends, points, each: sentAt(c), laps });
    const top = c.rung + 1 === s.rungs.length;
    return top || spent ? endGo(up, top, s.last - s.since) : pass(up, "hit");
  }
  const missed = withClimber(s, { sends, misses: c.misses + 1, each: sentAt(c) });
  if (spent) return endGo(missed, false, s.last - s.since);
  if (p.forfeit && c.misses + 1 >= p.forfeit.misses) return { ...missed, owes: true };
  return pass(missed, "miss");
}

/** One send more at the rung that a climber is on. */
function sentAt(c: Climber): number[] {
  const each = [...c.each];
  each[c.rung] = (each[c.rung] ?? 0) + 1;
  return each;
}

function withClimber(s: ClimbState, change: Partial<Climber>): ClimbState {
  const side = sideOf(s, s.player);
  return { ...s, climbers: s.climbers.map((c, i) => (i === side ? { ...c, ...change } : c)) };
}

function endGo(s: ClimbState, top: boolean, time: number): ClimbState {
  const c = current(s);
  const { rung, sends, points, each, laps } = c;
  const goes = [...c.goes, { rung, sends, points, time, top, each, laps }];
  const done = goes.length === s.params.goes.count;
  const kept = done ? { goes, done } : { ...FRESH, goes };
  return pass({ ...withClimber(s, kept), owes: false, waiting: clocked(s.params) }, "go");
}

/** Hands the turn on after a hit, a miss or a whole go, and ends the game when nobody is left to send. */
function pass(s: ClimbState, after: "hit" | "miss" | "go"): ClimbState {
  if (s.climbers.every((c) => c.done)) return { ...s, over: true, waiting: false };
  const swap = swapOf(s);
  const moves = swap === "send" || after === "go" || (swap === "miss" && after === "miss");
  if (!moves) return s;
  let player = s.player;
  do player = (player + 1) % s.setup.players;
  while (s.climbers[sideOf(s, player)]!.done);
  const wrapped = player <= s.player;
  const race = s.params.end === "first" && s.setup.mode === "against" && swap === "send" && s.params.goes.count === 1;
  if (race && wrapped && s.climbers.some((c) => c.goes.some((g) => g.top))) return { ...s, over: true, waiting: false };
  return { ...s, player };
}

/** The go under way counts like a finished one, so that a score exists at any moment. */
function goesSoFar(c: Climber): Go[] {
  const { rung, sends, points, each, laps } = c;
  return c.done ? [...c.goes] : [...c.goes, { rung, sends, points, each, laps, time: 0, top: false }];
}
const TOP_BY_TRIES = 1_000_000;
const TOP_BY_TIME = 100_000_000;
const RUNG_WORTH = 1000;
function rankOf(p: ClimbParams, g: Go): number {
  if (p.scoring.by === "points") return g.points;
  if (!g.top) return g.rung * RUNG_WORTH;
  return p.scoring.by === "tries" ? TOP_BY_TRIES - g.sends : TOP_BY_TIME - g.time;
}

export function score(s: ClimbState): Score[] {
  const p = s.params;
  return s.climbers.map((c, i) => {
    const goes = goesSoFar(c);
    const value = (g: Go) =>
      p.scoring.by === "points" ? g.points : p.scoring.by === "tries" ? g.sends : Math.round(g.time / 100);
    const best = goes.reduce((a, b) => (rankOf(p, b) > rankOf(p, a) ? b : a));
    const total = p.goes.keep === "total";
    const sum = goes.reduce((n, g) => n + value(g), 0);
    return {
      players: shared(s) ? Array.from({ length: s.setup.players }, (_, k) => k) : [i],
      value: total ? sum : value(best),
      soFar: total ? sum : value(best),
      unit: p.scoring.by === "points" ? "points" : p.scoring.by === "tries" ? "sends" : "tenths",
      working: working(p, goes, total, value),
      rank: total ? goes.reduce((n, g) => n + rankOf(p, g), 0) : rankOf(p, best),
    };
  });
}

function working(p: ClimbParams, goes: Go[], total: boolean, value: (g: Go) => number): string {
  if (p.goes.count > 1) {
    const parts = goes.map(value);
    if (total && parts.length > 1) return `${parts.join(" + ")} = ${parts.reduce((a, b) => a + b, 0)}`;
    if (parts.length > 1) return `${parts.join(", ")}`;
  }
  const go = goes[goes.length - 1]!;
  const sum = (parts: readonly (number | string)[], all: number | string) =>
    parts.length > 1 ? `${parts.join(" + ")} = ${all}` : parts.join("");
  switch (p.scoring.by) {
    case "points":
      return sum(
        Array.from({ length: go.rung }, (_, r) => worthOf(p, r)),
        go.points,
      );
    case "tries":
      return sum(go.each, go.sends);
    default: {
      if (go.time === 0) return "";
      // Lap by lap in tenths of a second; what is left after the last rung was the way to the bell.
      const ends = [...go.laps, ...(go.laps.at(-1) === go.time ? [] : [go.time])].map((ms) => Math.round(ms / 100));
      return sum(
        ends.map((end, i) => ((end - (ends[i - 1] ?? 0)) / 10).toFixed(1)),
        (ends.at(-1)! / 10).toFixed(1),
      );
    }
  }
}

export function ending(s: ClimbState): Ending | null {
  if (!s.over) return null;
  const tops = s.climbers.filter((c) => c.goes.some((g) => g.top)).length;
  const reason: Phrase = { key: tops > 0 ? "climb.end.top" : "climb.end.spent" };
  if (s.setup.mode !== "against" || s.climbers.length < 2) return { reason, winners: [] };
  const ranks = score(s).map((x) => x.rank);
  const best = Math.max(...ranks);
  return { reason, winners: ranks.flatMap((r, i) => (r === best ? [i] : [])) };
}

export function turn(s: ClimbState): { player: number; side: number; now: Phrase } {
  const at = { player: s.player, side: sideOf(s, s.player) };
  if (s.over) return { ...at, now: { key: "play.over" } };
  if (s.waiting) return { ...at, now: { key: "play.ready" } };
  if (s.owes)
    return {
      ...at,
      now: { key: "climb.forfeit", params: { exercise: s.params.forfeit!.exercise, dose: s.params.forfeit!.dose } },
    };
  const c = current(s);
  const { ladder } = s.params;
  if (ladder.kind === "line")
    return {
      ...at,
      now: {
        key: "climb.line",
        params: { label: ladder.target.label, item: ladder.target.item, line: c.rung + 1, lines: s.rungs.length },
      },
    };
  const t = ladder.targets.find((x) => x.id === s.rungs[c.rung])!;
  return {
    ...at,
    now: { key: "climb.target", params: { label: t.label, item: t.item, number: c.rung + 1, of: s.rungs.length } },
  };
}

export const done = (s: ClimbState): readonly string[] => s.rungs.slice(0, current(s).rung);

export function tally(s: ClimbState): Tally[] {
  return s.climbers.map((c, i) => {
    const goes = goesSoFar(c);
    return {
      sends: goes.reduce((n, g) => n + g.sends, 0),
      rounds: c.goes.length,
      points: score(s)[i]!.value,
      own: score(s)[i]!.value,
      stage: Math.max(...goes.map((g) => g.rung)),
      stages: s.rungs.length,
      finished: s.params.goes.keep === "total" ? goes.every((g) => g.top) : goes.some((g) => g.top),
    };
  });
}

export const matchApart = (): boolean => false;

/** Written on paper: see `Possible`. */
export function possible(p: ClimbParams): Possible {
  const n = p.ladder.kind === "line" ? p.ladder.lines.length : p.ladder.targets.length;
  const kept = p.goes.keep === "total" ? p.goes.count : 1;
  const times = (x: number | null) => (x === null ? null : x * kept);
  if (p.scoring.by === "points") {
    const sums = [0];
    for (let r = 0; r < Math.min(n, p.tries ?? n); r++) sums.push(sums[r]! + worthOf(p, r));
    const top = sums[sums.length - 1]!;
    const values = kept === 1 ? sums : null;
    return {
      unit: "points",
      least: 0,
      most: times(top),
      values,
      finished: { least: times(top)!, most: times(top) },
      stages: n,
    };
  }
  if (p.scoring.by === "tries")
    return {
      unit: "sends",
      least: 0,
      most: times(p.tries),
      values: null,
      finished: { least: n * kept, most: times(p.tries) },
      stages: n,
    };
  const most = times(p.timeLimit === null ? null : p.timeLimit * 10);
  return { unit: "tenths", least: 0, most, values: null, finished: { least: 0, most }, stages: n };
}

/** Under a bell, and wherever more than one time is kept. */
export function timed(p: ClimbParams, setup: Setup): boolean {
  const one = p.goes.count === 1 && (setup.mode === "relay" || setup.players === 1);
  return p.timeLimit !== null || (p.scoring.by === "time" && !one);
}

export function key(s: ClimbState): string {
  const clock = timed(s.params, s.setup);
  const climbers = s.climbers.map((c) => [
    c.rung,
    c.sends,
    c.misses,
    c.done ? 1 : 0,
    c.goes.map((g) => [g.rung, g.sends, g.top ? 1 : 0, clock ? g.time : 0]),
  ]);
  return JSON.stringify([climbers, s.player, s.owes, s.waiting, s.over, clock ? s.last - s.since : 0]);
}

/** Getting ready for a go; an exercise costs this per dose. Seconds. */
const READY = 4;
const PER_DOSE = 1.5;

export function next(s: ClimbState): NextSend | NextSure | null {
  if (s.over) return null;
  if (s.waiting) return { event: { kind: "ready" }, by: [s.player], seconds: READY, walk: 0, moving: false };
  if (s.owes) {
    const seconds = s.params.forfeit!.dose * PER_DOSE;
    return { event: { kind: "forfeit" }, by: [s.player], seconds, walk: 0, moving: true };
  }
  const want = wanted(s);
  return {
    player: s.player,
    from: s.params.ladder.kind === "line" ? s.rungs[current(s).rung]! : "start",
    shot: { kind: "target", target: want },
    branches: [...targetIds(s.params), null].map((id) => ({
      ref: id ?? "none",
      worth: id === want ? 1 : 0,
      event: { kind: "send", hit: id },
    })),
    fetch: true,
  };
}
