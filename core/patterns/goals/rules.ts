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
import { headStartOf } from "../../contract/people.ts";
import type { GameEvent } from "../../events/events.ts";
import { joins, leaves } from "../../match/company.ts";
import { endOf } from "../../match/end.ts";
import { oneClock, type Timed, tableAt } from "../../match/one-clock.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { type Foul, MAX_ALONE } from "./limits.ts";
import type { GoalsParams } from "./schema.ts";

/** How play goes on, and who has the ball. Null: whoever gets it. */
type Restart = { how: "middle" | "bringIn" | "there" | "shot" | "again"; side: number | null };
export interface GoalsState extends Timed {
  params: GoalsParams;
  goals: readonly number[];
  /** The goals in order, by side. */
  scored: readonly number[];
  half: 1 | 2;
  restart: Restart;
  /** A goal was just scored. The clock runs on until play does. */
  stopped: boolean;
  /** The fouls of each side. */
  fouls: readonly number[];
  /** How long a child alone took, milliseconds. */
  took: number;
}

const contest = (s: Pick<GoalsState, "setup">): boolean => s.setup.mode === "against";

function start(params: GoalsParams, match: Match, setup: Setup): GoalsState {
  const table = tableAt(match, setup, setup.mode !== "against" || match.seconds !== null);
  const { sides } = table;
  const most = (params.points ?? Number.POSITIVE_INFINITY) - 1;
  return {
    ...table,
    params,
    goals: sides.map((side) => (setup.mode === "against" ? Math.min(most, headStartOf(setup, side)) : 0)),
    scored: [],
    half: 1,
    restart: { how: "middle", side: setup.starts ?? 0 },
    stopped: false,
    fouls: sides.map(() => 0),
    took: 0,
  };
}

/** How long the clock runs, seconds. Null: there is none. */
function limitOf(state: GoalsState): number | null {
  if (contest(state)) return state.match.seconds;
  return state.params.alone.by === "bell" ? state.params.alone.seconds : null;
}

/** How a child plays it alone: round something, and then a shot. */
export const gatesOf = memoizeByIdentity((params: GoalsParams): Gate[] => [
  { kind: "weave", metres: Math.max(0.5, params.length / 2) },
  { kind: "shot", metres: Math.max(0.5, params.length / 2) },
]);
export const mannerOf = memoizeByIdentity((params: GoalsParams): Manner => (params.riding ? { moving: true } : PLAIN));
const courses = memoizeByIdentity(
  (params: GoalsParams): AimOf<"course"> => ({ kind: "course", gates: gatesOf(params), miss: "gate" }),
);
export const courseOf = (params: GoalsParams): AimOf<"course"> => courses(params);
const goalAims = memoizeByIdentity((_: GoalsParams) => new Map<string, AimOf<"goal">>());
function goalAim(state: GoalsState): AimOf<"goal"> {
  const { params, sides } = state;
  const ticks = state.match.seconds !== null;
  const shot = state.restart.how === "shot" ? state.restart.side : null;
  const key = `${ticks} ${state.stopped} ${state.half} ${shot} ${JSON.stringify(sides)}`;
  let aim = goalAims(params).get(key);
  if (!aim) {
    // The sides change ends for the second half, in which side 0 attacks the far goal first.
    const widths: [number, number] =
      state.half === 1 ? [params.farGoal, params.nearGoal] : [params.nearGoal, params.farGoal];
    aim = {
      kind: "goal",
      people: sides,
      widths,
      length: params.length,
      ticks,
      stopped: state.stopped,
      shot,
      fouls: params.fouls,
      out: params.out,
    };
    goalAims(params).set(key, aim);
  }
  return aim;
}

function asks(state: GoalsState): Ask[] {
  const at = { from: "start", manner: mannerOf(state.params) } as const;
  if (contest(state)) {
    const player = state.sides[state.restart.side ?? 0]![0]!;
    return [{ ...at, kind: "send", player, aim: goalAim(state), fetch: true }];
  }
  const player = state.sides[0]![0]!;
  return [{ ...at, kind: "count", player, aim: courseOf(state.params), soFar: state.goals[0]!, drops: false }];
}

const clocked = oneClock<GoalsState>({
  limit: limitOf,
  between: () => true,
  bell(state, ms) {
    if (!contest(state) || state.half === state.params.halves) return { ...state, took: ms, over: true };
    // The sides change ends, and the side that did not begin the first half begins the second.
    return {
      ...state,
      half: 2,
      waiting: true,
      restart: { how: "middle", side: 1 - (state.setup.starts ?? 0) },
      stopped: false,
    };
  },
  asks,
  first: (state) => state.sides[0]![0]!,
  step(state, event) {
    if (event.kind === "point" && contest(state)) return point(state, event);
    if (event.kind === "count" && !contest(state)) return alone(state, event);
    return refuse("refused.notInGame", { kind: event.kind });
  },
});
function alone(state: GoalsState, e: Extract<GameEvent, { kind: "count" }>): GoalsState | Refusal {
  const { by, goals } = state.params.alone;
  const most = by === "count" ? goals : MAX_ALONE;
  const count = state.goals[0]! + e.n;
  if (count > most) return refuse("refused.runMost", { most });
  const done = by === "count" && count === goals;
  return {
    ...state,
    goals: [count],
    scored: state.scored,
    ...(done && { over: true, took: state.last - state.since }),
  };
}

function point(before: GoalsState, e: Extract<GameEvent, { kind: "point" }>): GoalsState | Refusal {
  const state: GoalsState = before.stopped ? { ...before, stopped: false } : before;
  const { params, restart } = state;
  if (e.side !== null) {
    if (e.side >= state.sides.length) return refuse("refused.noSide");
    // A free shot comes before anything else.
    if (restart.how === "shot" && restart.side !== e.side) return refuse("refused.shotFirst");
    const goals = state.goals.map((goal, i) => (i === e.side ? goal + 1 : goal));
    const next: GoalsState = {
      ...state,
      goals,
      scored: [...state.scored, e.side],
      restart: { how: "middle", side: params.after === "conceded" ? 1 - e.side : null },
      stopped: state.match.seconds !== null,
    };
    return params.points !== null && goals[e.side]! >= params.points ? { ...next, over: true } : next;
  }
  switch (e.why) {
    case "on":
      return state;
    case "missed":
      // A missed free shot gives the ball away.
      if (restart.how !== "shot") return refuse("refused.noShot");
      return { ...state, restart: { how: "bringIn", side: 1 - restart.side! } };
    case "out": {
      if (restart.how === "shot") return refuse("refused.shotFirst");
      if (e.by === undefined && params.out === "other") return refuse("refused.whoseOut");
      const side = sideOf(state, e.by);
      if (params.out === "other")
        return { ...state, restart: { how: "bringIn", side: side === null ? null : 1 - side } };
      return { ...state, restart: { how: params.out, side: null } };
    }
    default: {
      if (!params.fouls.includes(e.why as Foul)) return refuse("refused.noFoul");
      if (restart.how === "shot") return refuse("refused.shotFirst");
      const side = sideOf(state, e.by);
      if (side === null) return refuse("refused.whoseOut");
      const fouls = state.fouls.map((foul, i) => (i === side ? foul + 1 : foul));
      return { ...state, fouls, restart: { how: params.penalty, side: 1 - side } };
    }
  }
}
const sideOf = (state: GoalsState, by: number | undefined): number | null => {
  const side = by === undefined ? -1 : state.sides.findIndex((eachSide) => eachSide.includes(by));
  return side < 0 ? null : side;
};

const tenths = (state: GoalsState) => Math.round(state.took / 100);
/** Alone and against time, less is better. Everything else counts goals. */
const timed = (state: GoalsState) => !contest(state) && state.params.alone.by === "count";
function score(state: GoalsState): Score[] {
  return state.sides.map((players, i) => {
    const value = timed(state) ? tenths(state) : state.goals[i]!;
    return {
      players,
      value,
      soFar: value,
      unit: timed(state) ? "tenths" : "goals",
      better: timed(state) ? "less" : "more",
      working: "",
      rank: timed(state) ? (state.over ? 1e9 - value : state.goals[0]!) : value,
    };
  });
}

function ending(state: GoalsState): Ending | null {
  if (!state.over) return null;
  const reached = contest(state)
    ? state.params.points !== null && state.goals.some((goal) => goal >= state.params.points!)
    : timed(state);
  const reason: Phrase = reached
    ? { key: "goals.end.reached", params: { count: Math.max(...state.goals) } }
    : { key: "goals.end.bell" };
  return endOf(state, reason, contest(state) ? state.goals : null);
}

function turn(state: GoalsState): { player: number; side: number; now: Phrase } {
  const { how, side } = state.restart;
  const at = { side: side ?? 0, player: state.sides[side ?? 0]![0]! };
  if (state.over) return { ...at, now: { key: "play.over" } };
  if (state.waiting) return { ...at, now: { key: state.half === 2 ? "goals.half" : "play.ready" } };
  if (!contest(state)) return { ...at, now: { key: "goals.alone" } };
  return { ...at, now: { key: side === null ? `goals.${how}.any` : `goals.${how}` } };
}

function progress(state: GoalsState): Progress[] {
  const { points, alone: a } = state.params;
  const stages = contest(state) ? (points ?? 0) : a.by === "count" ? a.goals : 0;
  return state.sides.map((side, i) => {
    const own = Math.max(0, state.goals[i]! - (contest(state) ? headStartOf(state.setup, side) : 0));
    return {
      sends: own,
      rounds: state.half,
      points: timed(state) ? tenths(state) : state.goals[i]!,
      own: timed(state) ? tenths(state) : own,
      stage: Math.min(state.goals[i]!, stages || state.goals[i]!),
      stages,
      finished: contest(state) ? (points === null ? state.over : state.goals[i]! >= points) : state.over,
    };
  });
}

const key = (state: GoalsState): string =>
  `${state.goals} ${state.half} ${state.restart.how} ${state.restart.side} ${state.waiting ? 1 : 0} ${state.stopped ? 1 : 0} ${state.fouls}`;

/** Two sides, each at the other's goal, or a child alone, goal by goal. */
export const goalsRules: Rules<GoalsParams, GoalsState> = {
  start,
  ...clocked,
  clock: (params, match, setup) =>
    (setup.mode === "against" ? match.seconds !== null : params.alone.by === "bell") ? "bell" : "none",
  sidesMeet: () => true,
  // Each side keeps its end.
  starting: (setup, side) => ({ ...setup, starts: side }),
  key,
  turn,
  done: () => [],
  score,
  ending,
  progress,
  leave: (state, who) => leaves(state, who, 0),
  // Before the start of a half.
  join: (state, who, side) => (side !== null && state.waiting ? joins(state, who, side, 0) : null),
};

/** On paper: what a child can score alone. */
export function possible(params: GoalsParams): Possible {
  const { by, goals } = params.alone;
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
