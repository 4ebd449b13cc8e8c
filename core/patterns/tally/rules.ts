import type { Aim, Ask, Manner } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import {
  courseOf,
  ENDS,
  MARK,
  type Round,
  shuttleOf,
  type TallyParams,
  tasksOf,
  USUAL_EXERCISE,
  WALL,
} from "./params.ts";

/** All rounds of one side: the clock opens the next, whatever happened in the one before. */
export interface TallyGo {
  /** Rounds that are counted, and what is counted of the one under way. */
  counts: readonly number[];
  n: number;
  /** The bell has gone: how many it was is to be said. */
  closing: boolean;
  /** What was in the air at the bell was entered. */
  landed: boolean;
}

/** Nobody is quicker, counts a second. */
const QUICKEST = 4;
/** Saying how many it was, seconds. */
const TELL = 4;
const mostIn = (r: Round) => r.seconds * QUICKEST;
const roundOf = (p: TallyParams, g: TallyGo): Round => p.rounds[Math.min(g.counts.length, p.rounds.length - 1)]!;

/** How a round's task is done. */
export function mannerOf(p: TallyParams, r: Round): Manner {
  return {
    action: {
      keepUp: "keepUp" as const,
      rebound: p.wall.action,
      shuttle: shuttleOf(p).action,
      course: courseOf(p).action,
      catch: "tossCatch" as const,
      exercise: "balance" as const,
    }[r.task],
    ...(r.hand !== "usual" && { hand: r.hand }),
    ...(r.moving && { moving: true }),
    ...(r.bounce && { bounce: true }),
  };
}
/** What a round's counts are for, the same object for the same parameters. */
const aimsOf = memoizeByIdentity(
  (p: TallyParams): Record<Exclude<Round["task"], "exercise">, Aim> => ({
    keepUp: { kind: "keep" },
    rebound: { kind: "rebound", wall: WALL, onto: MARK },
    shuttle: { kind: "shuttle", to: ENDS[1] },
    course: { kind: "course", gates: courseOf(p).gates, miss: courseOf(p).miss },
    catch: { kind: "skill", task: { id: "catch" } },
  }),
);
const exerciseOf = memoizeByIdentity(
  (r: Round): Aim => ({
    kind: "skill",
    task: { id: "exercise", seconds: r.each ?? USUAL_EXERCISE.each, exercise: r.exercise || USUAL_EXERCISE.exercise },
  }),
);
export const aimOf = (p: TallyParams, r: Round): Aim => (r.task === "exercise" ? exerciseOf(r) : aimsOf(p)[r.task]);

function asks(p: TallyParams, g: TallyGo, player: number): Ask[] {
  const r = roundOf(p, g);
  if (g.closing) {
    const takes = { by: [player], seconds: TELL, walk: 0, moving: false };
    return [{ kind: "total", player, soFar: g.n, most: mostIn(r), takes }];
  }
  const manner = mannerOf(p, r);
  return [
    {
      kind: "count",
      player,
      from: "start",
      manner,
      aim: aimOf(p, r),
      soFar: g.n,
      drops: r.task === "keepUp" || r.task === "catch",
    },
  ];
}

function step(p: TallyParams, g: TallyGo, e: GameEvent): StepResult<TallyGo> | Refusal {
  const r = roundOf(p, g);
  switch (e.kind) {
    case "count": {
      if (g.n + e.n > mostIn(r)) return refuse("refused.tooQuick", { most: mostIn(r) });
      if (!g.closing) return { go: { ...g, n: g.n + e.n }, after: "on" };
      // After the bell one more may be entered, if it was in the air and that counts.
      if (!p.inAir || g.landed || e.n > 1) return refuse("refused.afterBell");
      return { go: { ...g, n: g.n + e.n, landed: true }, after: "on" };
    }
    case "total": {
      if (!g.closing) return refuse("refused.bellFirst");
      if (e.n > mostIn(r)) return refuse("refused.tooQuick", { most: mostIn(r) });
      const counts = [...g.counts, e.n];
      const go = { counts, n: 0, closing: false, landed: false };
      return { go, after: counts.length === p.rounds.length ? "end" : "part" };
    }
    default:
      return refuse("refused.notInGame", { kind: e.kind });
  }
}

const worth = (p: TallyParams, all: readonly number[]) =>
  p.keep === "sum" ? all.reduce((a, b) => a + b, 0) : Math.max(0, ...all);
const UNITS: Record<Round["task"], Unit> = {
  keepUp: "touches",
  rebound: "hits",
  shuttle: "hits",
  course: "laps",
  catch: "times",
  exercise: "times",
};
/** Of one kind as it is called; of several, points. */
export function unitOf(p: TallyParams): Unit {
  const units = new Set([...tasksOf(p)].map((t) => UNITS[t]));
  return units.size === 1 ? [...units][0]! : "points";
}

function sum(p: TallyParams, g: TallyGo): Sum {
  const all = g.counts.length < p.rounds.length ? [...g.counts, g.n] : g.counts;
  const value = worth(p, all);
  return {
    value,
    unit: unitOf(p),
    better: "more",
    rank: value,
    working: all.length < 2 ? "" : p.keep === "sum" ? `${all.join(" + ")} = ${value}` : all.join(", "),
    sends: all.reduce((a, b) => a + b, 0),
    stage: g.counts.length,
    stages: p.rounds.length,
    finished: g.counts.length === p.rounds.length,
  };
}

function now(p: TallyParams, g: TallyGo): Phrase {
  const r = roundOf(p, g);
  if (g.closing) return { key: "tally.total" };
  return {
    key: `tally.${r.task}`,
    params: {
      hand: r.hand,
      round: g.counts.length + 1,
      rounds: p.rounds.length,
      exercise: r.exercise || USUAL_EXERCISE.exercise,
    },
  };
}

export const tallyGo: GoRules<TallyParams, TallyGo> = {
  begin: () => ({ counts: [], n: 0, closing: false, landed: false }),
  asks,
  step,
  clock: (p, _, g) =>
    g.closing
      ? { limit: null, rest: 0 }
      : { limit: roundOf(p, g).seconds, rest: g.counts.length > 0 ? p.rounds[g.counts.length - 1]!.rest : 0 },
  bell: (_, g) => ({ go: { ...g, closing: true }, after: "on" }),
  sum,
  // Where all rounds are summed it does not matter in which of them something was counted.
  key: (p, g) => {
    const before = worth(p, g.counts);
    const held = p.keep === "sum" ? before + g.n : `${before} ${g.n}`;
    return `${g.counts.length} ${held} ${g.closing ? 1 : 0} ${g.landed ? 1 : 0}`;
  },
  now,
  done: () => [],
  ended: (p) => ({ key: "tally.end", params: { rounds: p.rounds.length } }),
  together: "each",
};

export function possible(p: TallyParams, m: Match): Possible {
  const each = p.rounds.map(mostIn);
  const most = worth(p, each) * (m.goes.keep === "total" ? m.goes.count : 1);
  return { unit: unitOf(p), better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages: 0 };
}
