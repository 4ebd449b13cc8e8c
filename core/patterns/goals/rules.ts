import { type AimOf, type Ask, type Gate, type Manner, PLAIN } from "../../asks/ask.ts";
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
import { joins, leaves } from "../../match/company.ts";
import { endOf } from "../../match/end.ts";
import { oneClock, type Timed } from "../../match/one-clock.ts";
import { twoSides } from "../../match/two-sides.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { type Foul, type GoalsParams, MAX_ALONE } from "./params.ts";

/** How play goes on, and who has the ball; null: whoever gets it. */
type Restart = { how: "middle" | "bringIn" | "there" | "shot" | "again"; side: number | null };
export interface GoalsState extends Timed {
  params: GoalsParams;
  goals: readonly number[];
  /** Goals one after the other, by side. */
  scored: readonly number[];
  half: 1 | 2;
  restart: Restart;
  /** A goal was just scored, and the clock runs on until play does. */
  stopped: boolean;
  /** Fouls of each side. */
  fouls: readonly number[];
  /** How long a child alone took, milliseconds. */
  took: number;
}

const contest = (s: Pick<GoalsState, "setup">): boolean => s.setup.mode === "against";

function start(params: GoalsParams, match: Match, setup: Setup): GoalsState {
  const sides = setup.mode === "against" ? twoSides(setup) : [whoPlays(setup)];
  const most = (params.points ?? Number.POSITIVE_INFINITY) - 1;
  return {
    setup,
    params,
    match,
    sides,
    goals: sides.map((x) => (setup.mode === "against" ? Math.min(most, headStartOf(setup, x)) : 0)),
    scored: [],
    half: 1,
    restart: { how: "middle", side: setup.starts ?? 0 },
    stopped: false,
    fouls: sides.map(() => 0),
    waiting: setup.mode !== "against" || match.seconds !== null,
    since: 0,
    carried: 0,
    last: 0,
    took: 0,
    over: false,
  };
}

/** How long the clock runs, seconds; null: none does. */
function limitOf(s: GoalsState): number | null {
  if (contest(s)) return s.match.seconds;
  return s.params.alone.by === "bell" ? s.params.alone.seconds : null;
}

/** How it is played by a child alone: round something, and a shot. */
export const gatesOf = memoizeByIdentity((p: GoalsParams): Gate[] => [
  { kind: "weave", metres: Math.max(0.5, p.length / 2) },
  { kind: "shot", metres: Math.max(0.5, p.length / 2) },
]);
export const mannerOf = memoizeByIdentity((p: GoalsParams): Manner => (p.riding ? { moving: true } : PLAIN));
const courses = memoizeByIdentity(
  (p: GoalsParams): AimOf<"course"> => ({ kind: "course", gates: gatesOf(p), miss: "gate" }),
);
export const courseOf = (p: GoalsParams): AimOf<"course"> => courses(p);
const goalAims = memoizeByIdentity((_: GoalsParams) => new Map<string, AimOf<"goal">>());
function goalAim(s: GoalsState): AimOf<"goal"> {
  const { params: p, sides } = s;
  const ticks = s.match.seconds !== null;
  const shot = s.restart.how === "shot" ? s.restart.side : null;
  const key = `${ticks} ${s.stopped} ${s.half} ${shot} ${JSON.stringify(sides)}`;
  let aim = goalAims(p).get(key);
  if (!aim) {
    // Ends are changed in the second half: side 0 attacks the far goal first.
    const widths: [number, number] = s.half === 1 ? [p.farGoal, p.nearGoal] : [p.nearGoal, p.farGoal];
    aim = {
      kind: "goal",
      people: sides,
      widths,
      length: p.length,
      ticks,
      stopped: s.stopped,
      shot,
      fouls: p.fouls,
      out: p.out,
    };
    goalAims(p).set(key, aim);
  }
  return aim;
}

function asks(s: GoalsState): Ask[] {
  const at = { from: "start", manner: mannerOf(s.params) } as const;
  if (contest(s)) {
    const player = s.sides[s.restart.side ?? 0]![0]!;
    return [{ ...at, kind: "send", player, aim: goalAim(s), fetch: true }];
  }
  const player = s.sides[0]![0]!;
  return [{ ...at, kind: "count", player, aim: courseOf(s.params), soFar: s.goals[0]!, drops: false }];
}

const clocked = oneClock<GoalsState>({
  limit: limitOf,
  between: () => true,
  bell(s, ms) {
    if (!contest(s) || s.half === s.params.halves) return { ...s, took: ms, over: true };
    // Ends are changed, and whoever did not begin the first half begins the second.
    return {
      ...s,
      half: 2,
      waiting: true,
      restart: { how: "middle", side: 1 - (s.setup.starts ?? 0) },
      stopped: false,
    };
  },
  asks,
  first: (s) => s.sides[0]![0]!,
  step(s, e) {
    if (e.kind === "point" && contest(s)) return point(s, e);
    if (e.kind === "count" && !contest(s)) return alone(s, e);
    return refuse("refused.notInGame", { kind: e.kind });
  },
});
function alone(s: GoalsState, e: Extract<GameEvent, { kind: "count" }>): GoalsState | Refusal {
  const { by, goals } = s.params.alone;
  const most = by === "count" ? goals : MAX_ALONE;
  const n = s.goals[0]! + e.n;
  if (n > most) return refuse("refused.runMost", { most });
  const done = by === "count" && n === goals;
  return { ...s, goals: [n], scored: s.scored, ...(done && { over: true, took: s.last - s.since }) };
}

function point(before: GoalsState, e: Extract<GameEvent, { kind: "point" }>): GoalsState | Refusal {
  const s: GoalsState = before.stopped ? { ...before, stopped: false } : before;
  const { params: p, restart } = s;
  if (e.side !== null) {
    if (e.side >= s.sides.length) return refuse("refused.noSide");
    // A free shot comes before anything else.
    if (restart.how === "shot" && restart.side !== e.side) return refuse("refused.shotFirst");
    const goals = s.goals.map((n, i) => (i === e.side ? n + 1 : n));
    const next: GoalsState = {
      ...s,
      goals,
      scored: [...s.scored, e.side],
      restart: { how: "middle", side: p.after === "conceded" ? 1 - e.side : null },
      stopped: s.match.seconds !== null,
    };
    return p.points !== null && goals[e.side]! >= p.points ? { ...next, over: true } : next;
  }
  switch (e.why) {
    case "on":
      return s;
    case "missed":
      // A free shot that missed gives the ball away.
      if (restart.how !== "shot") return refuse("refused.noShot");
      return { ...s, restart: { how: "bringIn", side: 1 - restart.side! } };
    case "out": {
      if (restart.how === "shot") return refuse("refused.shotFirst");
      if (e.by === undefined && p.out === "other") return refuse("refused.whoseOut");
      const side = sideOf(s, e.by);
      if (p.out === "other") return { ...s, restart: { how: "bringIn", side: side === null ? null : 1 - side } };
      return { ...s, restart: { how: p.out, side: null } };
    }
    default: {
      if (!p.fouls.includes(e.why as Foul)) return refuse("refused.noFoul");
      if (restart.how === "shot") return refuse("refused.shotFirst");
      const side = sideOf(s, e.by);
      if (side === null) return refuse("refused.whoseOut");
      const fouls = s.fouls.map((n, i) => (i === side ? n + 1 : n));
      return { ...s, fouls, restart: { how: p.penalty, side: 1 - side } };
    }
  }
}
const sideOf = (s: GoalsState, by: number | undefined): number | null => {
  const side = by === undefined ? -1 : s.sides.findIndex((x) => x.includes(by));
  return side < 0 ? null : side;
};

const tenths = (s: GoalsState) => Math.round(s.took / 100);
/** Alone against time less is better; all else counts goals. */
const timed = (s: GoalsState) => !contest(s) && s.params.alone.by === "count";
function score(s: GoalsState): Score[] {
  return s.sides.map((players, i) => {
    const value = timed(s) ? tenths(s) : s.goals[i]!;
    return {
      players,
      value,
      soFar: value,
      unit: timed(s) ? "tenths" : "goals",
      better: timed(s) ? "less" : "more",
      working: "",
      rank: timed(s) ? (s.over ? 1e9 - value : s.goals[0]!) : value,
    };
  });
}

function ending(s: GoalsState): Ending | null {
  if (!s.over) return null;
  const reached = contest(s) ? s.params.points !== null && s.goals.some((n) => n >= s.params.points!) : timed(s);
  const reason: Phrase = reached
    ? { key: "goals.end.reached", params: { count: Math.max(...s.goals) } }
    : { key: "goals.end.bell" };
  return endOf(s, reason, contest(s) ? s.goals : null);
}

function turn(s: GoalsState): { player: number; side: number; now: Phrase } {
  const { how, side } = s.restart;
  const at = { side: side ?? 0, player: s.sides[side ?? 0]![0]! };
  if (s.over) return { ...at, now: { key: "play.over" } };
  if (s.waiting) return { ...at, now: { key: s.half === 2 ? "goals.half" : "play.ready" } };
  if (!contest(s)) return { ...at, now: { key: "goals.alone" } };
  return { ...at, now: { key: side === null ? `goals.${how}.any` : `goals.${how}` } };
}

function progress(s: GoalsState): Progress[] {
  const { points, alone: a } = s.params;
  const stages = contest(s) ? (points ?? 0) : a.by === "count" ? a.goals : 0;
  return s.sides.map((x, i) => {
    const own = Math.max(0, s.goals[i]! - (contest(s) ? headStartOf(s.setup, x) : 0));
    return {
      sends: own,
      rounds: s.half,
      points: timed(s) ? tenths(s) : s.goals[i]!,
      own: timed(s) ? tenths(s) : own,
      stage: Math.min(s.goals[i]!, stages || s.goals[i]!),
      stages,
      finished: contest(s) ? (points === null ? s.over : s.goals[i]! >= points) : s.over,
    };
  });
}

const key = (s: GoalsState): string =>
  `${s.goals} ${s.half} ${s.restart.how} ${s.restart.side} ${s.waiting ? 1 : 0} ${s.stopped ? 1 : 0} ${s.fouls}`;

/** Two sides, each at the other's goal; or a child alone, goal by goal. */
export const goalsRules: Rules<GoalsParams, GoalsState> = {
  start,
  ...clocked,
  clock: (p, match, setup) =>
    (setup.mode === "against" ? match.seconds !== null : p.alone.by === "bell") ? "bell" : "none",
  sidesMeet: () => true,
  // Each side keeps its end.
  starting: (setup, side) => ({ ...setup, starts: side }),
  key,
  turn,
  done: () => [],
  score,
  ending,
  progress,
  leave: (s, who) => leaves(s, who, 0),
  // Before the start of a half.
  join: (s, who, side) => (side !== null && s.waiting ? joins(s, who, side, 0) : null),
};

/** Written on paper: what a child alone can score. */
export function possible(p: GoalsParams): Possible {
  const { by, goals } = p.alone;
  return by === "count"
    ? {
        unit: "tenths",
        better: "less",
        least: 0,
        most: null,
        values: null,
        finished: { least: 1, most: null },
        stages: goals,
      }
    : {
        unit: "goals",
        better: "more",
        least: 0,
        most: MAX_ALONE,
        values: null,
        finished: { least: 0, most: MAX_ALONE },
        stages: 0,
      };
}
