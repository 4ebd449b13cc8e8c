import type { Aim, Ask, Manner } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { ENDS, MARK, USUAL_EXERCISE, WALL } from "./limits.ts";
import { courseOf, shuttleOf, tasksOf } from "./params.ts";
import type { Round, TallyParams } from "./schema.ts";

/** All rounds of one side. The clock opens the next round, whatever happened in the one before. */
export interface TallyGo {
  /** The rounds that are counted, and the count of the current one. */
  counts: readonly number[];
  n: number;
  /** The bell has rung, and the player is to say how many it was. */
  closing: boolean;
  /** What was in the air at the bell has been entered. */
  landed: boolean;
}

/** The quickest count, per second. */
const QUICKEST = 4;
/** The time to say how many it was, seconds. */
const TELL = 4;
const mostIn = (task: Round) => task.seconds * QUICKEST;
const roundOf = (params: TallyParams, go: TallyGo): Round =>
  params.rounds[Math.min(go.counts.length, params.rounds.length - 1)]!;

/** How a round's task is done. */
export function mannerOf(params: TallyParams, task: Round): Manner {
  return {
    action: {
      keepUp: "keepUp" as const,
      rebound: params.wall.action,
      shuttle: shuttleOf(params).action,
      course: courseOf(params).action,
      catch: "tossCatch" as const,
      exercise: "balance" as const,
    }[task.task],
    ...(task.hand !== "usual" && { hand: task.hand }),
    ...(task.moving && { moving: true }),
    ...(task.bounce && { bounce: true }),
  };
}
/** What a round's counts are for. Shared, because chances are cached by the identity of an aim. */
const aimsOf = memoizeByIdentity(
  (params: TallyParams): Record<Exclude<Round["task"], "exercise">, Aim> => ({
    keepUp: { kind: "keep" },
    rebound: { kind: "rebound", wall: WALL, onto: MARK },
    shuttle: { kind: "shuttle", to: ENDS[1] },
    course: { kind: "course", gates: courseOf(params).gates, miss: courseOf(params).miss },
    catch: { kind: "skill", task: { id: "catch" } },
  }),
);
const exerciseOf = memoizeByIdentity(
  (task: Round): Aim => ({
    kind: "skill",
    task: {
      id: "exercise",
      seconds: task.each ?? USUAL_EXERCISE.each,
      exercise: task.exercise || USUAL_EXERCISE.exercise,
    },
  }),
);
export const aimOf = (params: TallyParams, task: Round): Aim =>
  task.task === "exercise" ? exerciseOf(task) : aimsOf(params)[task.task];

function asks(params: TallyParams, go: TallyGo, player: number): Ask[] {
  const round = roundOf(params, go);
  if (go.closing) {
    const takes = { by: [player], seconds: TELL, walk: 0, moving: false };
    return [{ kind: "total", player, soFar: go.n, most: mostIn(round), takes }];
  }
  const manner = mannerOf(params, round);
  return [
    {
      kind: "count",
      player,
      from: "start",
      manner,
      aim: aimOf(params, round),
      soFar: go.n,
      drops: round.task === "keepUp" || round.task === "catch",
    },
  ];
}

function step(params: TallyParams, givenGo: TallyGo, event: GameEvent): StepResult<TallyGo> | Refusal {
  const round = roundOf(params, givenGo);
  switch (event.kind) {
    case "count": {
      if (givenGo.n + event.n > mostIn(round)) return refuse("refused.tooQuick", { most: mostIn(round) });
      if (!givenGo.closing) return { go: { ...givenGo, n: givenGo.n + event.n }, after: "on" };
      // After the bell one more may be entered, if it was in the air and that counts.
      if (!params.inAir || givenGo.landed || event.n > 1) return refuse("refused.afterBell");
      return { go: { ...givenGo, n: givenGo.n + event.n, landed: true }, after: "on" };
    }
    case "total": {
      if (!givenGo.closing) return refuse("refused.bellFirst");
      if (event.n > mostIn(round)) return refuse("refused.tooQuick", { most: mostIn(round) });
      const counts = [...givenGo.counts, event.n];
      const go = { counts, n: 0, closing: false, landed: false };
      return { go, after: counts.length === params.rounds.length ? "end" : "part" };
    }
    default:
      return refuse("refused.notInGame", { kind: event.kind });
  }
}

const worth = (params: TallyParams, all: readonly number[]) =>
  params.keep === "sum" ? all.reduce((eachSum, b) => eachSum + b, 0) : Math.max(0, ...all);
const UNITS: Record<Round["task"], Unit> = {
  keepUp: "touches",
  rebound: "hits",
  shuttle: "hits",
  course: "laps",
  catch: "times",
  exercise: "times",
};
/** For tasks of one kind, their own unit. For several kinds, points. */
export function unitOf(params: TallyParams): Unit {
  const units = new Set([...tasksOf(params)].map((text) => UNITS[text]));
  return units.size === 1 ? [...units][0]! : "points";
}

function sum(params: TallyParams, go: TallyGo): Sum {
  const all = go.counts.length < params.rounds.length ? [...go.counts, go.n] : go.counts;
  const value = worth(params, all);
  return {
    value,
    unit: unitOf(params),
    better: "more",
    rank: value,
    working: all.length < 2 ? "" : params.keep === "sum" ? `${all.join(" + ")} = ${value}` : all.join(", "),
    sends: all.reduce((eachSum, b) => eachSum + b, 0),
    stage: go.counts.length,
    stages: params.rounds.length,
    finished: go.counts.length === params.rounds.length,
  };
}

function now(params: TallyParams, go: TallyGo): Phrase {
  const round = roundOf(params, go);
  if (go.closing) return { key: "tally.total" };
  return {
    key: `tally.${round.task}`,
    params: {
      hand: round.hand,
      round: go.counts.length + 1,
      rounds: params.rounds.length,
      exercise: round.exercise || USUAL_EXERCISE.exercise,
    },
  };
}

export const tallyGo: GoRules<TallyParams, TallyGo> = {
  begin: () => ({ counts: [], n: 0, closing: false, landed: false }),
  asks,
  step,
  clock: (params, _, go) =>
    go.closing
      ? { limit: null, rest: 0 }
      : {
          limit: roundOf(params, go).seconds,
          rest: go.counts.length > 0 ? params.rounds[go.counts.length - 1]!.rest : 0,
        },
  bell: (_, go) => ({ go: { ...go, closing: true }, after: "on" }),
  sum,
  // If all rounds are added up, it does not matter in which of them something was counted.
  key: (params, go) => {
    const before = worth(params, go.counts);
    const held = params.keep === "sum" ? before + go.n : `${before} ${go.n}`;
    return `${go.counts.length} ${held} ${go.closing ? 1 : 0} ${go.landed ? 1 : 0}`;
  },
  now,
  done: () => [],
  ended: (params) => ({ key: "tally.end", params: { rounds: params.rounds.length } }),
  together: "each",
};

export function possible(params: TallyParams, match: Match): Possible {
  const each = params.rounds.map(mostIn);
  const most = worth(params, each) * (match.goes.keep === "total" ? match.goes.count : 1);
  return {
    unit: unitOf(params),
    better: "more",
    least: 0,
    most,
    values: null,
    finished: { least: 0, most },
    stages: 0,
  };
}
