import type { Ask } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { sumOfMany } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import { aimOf, MAX_RUN, mannerOf, type Stage, type StreakParams } from "./params.ts";

/** One go: a run that grows, and how high it stood in each stage. */
export interface StreakGo {
  stage: number;
  run: number;
  /** The highest that the counter stood in each stage. */
  best: readonly number[];
  /** How high it stood in this stage before this run: a run that is typed stands for what was tapped of it. */
  before: number;
  drops: number;
  /** Stages passed at most, and now. */
  high: number;
  /** The bell has gone: how far the run got is to be said. */
  closing: boolean;
  relay: boolean;
}

/** Saying how many it was, seconds. */
const TELL = 4;
const stageOf = (p: StreakParams, g: StreakGo): Stage => p.stages[Math.min(g.stage, p.stages.length - 1)]!;
/** How many more the stage takes. */
const leftIn = (p: StreakParams, g: StreakGo) => (stageOf(p, g).count ?? MAX_RUN) - g.run;

function asks(p: StreakParams, g: StreakGo, player: number): Ask[] {
  const s = stageOf(p, g);
  const most = s.count ?? MAX_RUN;
  const takes = { by: [player], seconds: TELL, walk: 0, moving: false };
  const total = { kind: "total", player, soFar: g.run, most, takes } as const;
  if (g.closing) return [total];
  const count = {
    kind: "count",
    player,
    from: "start",
    manner: mannerOf(s),
    aim: aimOf(s),
    soFar: g.run,
    ...EACH[s.task],
  } as const;
  // With both hands busy the run is told once it ended with a drop.
  return [{ ...count, drops: true }, ...(g.relay || s.inAll ? [] : [{ ...total, optional: true as const }])];
}

/** The counter at so many; passing the stage where that is enough. `least`: what stands of the stage in any case. */
function counted(p: StreakParams, g: StreakGo, run: number, least = g.best[g.stage] ?? 0): StreakGo {
  const best = g.best.map((b, i) => (i === g.stage ? Math.max(least, run) : b));
  const { count } = stageOf(p, g);
  // Without a count of its own a run is enough at the most that is counted.
  if (run !== (count ?? MAX_RUN)) return { ...g, run, best };
  const stage = g.stage + 1;
  return begun({ ...g, stage, run: 0, best, high: count === null ? g.high : Math.max(g.high, stage) });
}
/** A run begins: what stood of its stage before it stays. */
const begun = (g: StreakGo): StreakGo => ({ ...g, before: g.best[g.stage] ?? 0 });
function dropped(p: StreakParams, g: StreakGo): StreakGo {
  const drops = g.drops + 1;
  if (!p.stays && g.stage > 0) return begun({ ...g, drops, stage: g.stage - 1, run: 0 });
  if (stageOf(p, g).inAll) return { ...g, drops };
  return begun({ ...g, drops, run: p.drop === "costsOne" ? Math.max(0, g.run - 1) : 0 });
}
const ends = (p: StreakParams, g: StreakGo) =>
  g.stage >= p.stages.length || (p.tries !== null && g.drops >= p.tries) || (p.drop === "ends" && g.drops > 0);

function step(p: StreakParams, g: StreakGo, e: GameEvent, corrects = true): StepResult<StreakGo> | Refusal {
  if (e.kind === "total") {
    if (e.n > (stageOf(p, g).count ?? MAX_RUN))
      return refuse("refused.runMost", { most: stageOf(p, g).count ?? MAX_RUN });
    const typed = () => counted(p, g, e.n, corrects ? g.before : undefined);
    if (g.closing) return { go: { ...typed(), closing: false }, after: "end" };
    if (g.relay || stageOf(p, g).inAll) return refuse("refused.notInGame", { kind: e.kind });
    const told = typed();
    // What passes the stage was no drop.
    const go = told.stage > g.stage ? told : dropped(p, told);
    return { go, after: ends(p, go) ? "end" : told.stage > g.stage ? "on" : "miss" };
  }
  if (e.kind !== "count") return refuse("refused.notInGame", { kind: e.kind });
  if (g.closing) return refuse("refused.afterBell");
  if (e.n > leftIn(p, g)) return refuse("refused.runMost", { most: stageOf(p, g).count ?? MAX_RUN });
  if (g.relay && e.n > 1) return refuse("refused.oneEach");
  if (e.n === 0 && !e.drop) return refuse("refused.notInGame", { kind: e.kind });
  const up = e.n > 0 ? counted(p, g, g.run + e.n) : g;
  if (up.stage >= p.stages.length) return { go: up, after: "end" };
  const go = e.drop ? dropped(p, up) : up;
  if (ends(p, go)) return { go, after: "end" };
  // Together touches alternate, and whoever dropped it begins again.
  return { go, after: g.relay ? (e.drop ? "on" : "pass") : e.drop ? "miss" : "on" };
}

const EACH: Partial<Record<Stage["task"], { each: "second" }>> = { balance: { each: "second" } };
const COUNTED: Partial<Record<Stage["task"], Unit>> = { balance: "seconds", carry: "steps" };
/** What a score is in: of stages that count different things, times. */
function unitOf(p: StreakParams): Unit {
  if (p.score === "stage") return "stages";
  const all = new Set(p.stages.map((s): Unit => COUNTED[s.task] ?? "touches"));
  return all.size === 1 ? [...all][0]! : "times";
}
const worth = (p: StreakParams, g: Pick<StreakGo, "best" | "high">) =>
  p.score === "stage" ? g.high : p.score === "sum" ? g.best.reduce((a, b) => a + b, 0) : Math.max(...g.best);

function sum(p: StreakParams, g: StreakGo): Sum {
  const value = worth(p, g);
  const parts = g.best.filter((b) => b > 0);
  return {
    value,
    unit: unitOf(p),
    better: "more",
    rank: value,
    working: p.score === "sum" ? sumOfMany(parts, value) : "",
    // A send is a try: it ends with a drop.
    sends: g.drops,
    stage: g.high,
    stages: p.stages.length,
    finished: g.stage >= p.stages.length,
  };
}

function now(p: StreakParams, g: StreakGo): Phrase {
  if (g.closing) return { key: "streak.total" };
  const s = stageOf(p, g);
  const params = {
    hand: s.hand,
    posture: s.posture,
    left: s.count === null ? 0 : s.count - g.run,
    stage: p.stages.length > 1 ? g.stage + 1 : 0,
  };
  return { key: `streak.${s.task}`, params };
}

/** One go: the longest run, or so many in a row stage by stage. */
export const streakGo: GoRules<StreakParams, StreakGo> = {
  begin: (p, { setup }) => ({
    stage: 0,
    run: 0,
    best: p.stages.map(() => 0),
    before: 0,
    drops: 0,
    high: 0,
    closing: false,
    relay: setup.mode === "relay",
  }),
  asks,
  step: (p, g, e) => step(p, g, e),
  // A touch out of turn is a drop, and whoever dropped it begins again.
  outOfTurn: (_, g, e) =>
    e.kind === "count" && !g.closing ? { event: { ...e, n: 0, drop: true }, turn: "theirs" } : null,
  clock: (_, m, g) => (m.seconds === null ? null : { limit: g.closing ? null : m.seconds, rest: 0 }),
  bell: (_, g) => ({ go: { ...g, closing: true }, after: "on" }),
  sum,
  key: (p, g) => {
    const held = p.score === "stage" ? "" : p.score === "sum" ? g.best.join(",") : Math.max(...g.best);
    return `${g.stage} ${g.run} ${held} ${g.drops} ${g.high} ${g.closing ? 1 : 0}`;
  },
  counters: (p) =>
    p.tries === null && p.drop !== "ends"
      ? [{ of: (g) => g.drops, put: (g, drops) => ({ ...g, drops }), feeds: ["sends"] }]
      : [],
  now,
  done: () => [],
  ended: (_, { finished }) => ({ key: finished ? "streak.end.all" : "streak.end" }),
  together: "share",
};

/** Until version 2 a touch out of turn counted like any other, and a run that was typed never took back what had been tapped. */
const { outOfTurn: _, ...others } = streakGo;
export const streakGo1: GoRules<StreakParams, StreakGo> = { ...others, step: (p, g, e) => step(p, g, e, false) };

/** Written on paper: see `Possible`. */
export function possible(p: StreakParams, m: Match): Possible {
  const tops = p.stages.map((s) => s.count ?? MAX_RUN);
  const most = worth(p, { best: tops, high: p.stages.filter((s) => s.count !== null).length });
  const kept = most * (m.goes.keep === "total" ? m.goes.count : 1);
  return {
    unit: unitOf(p),
    better: "more",
    least: 0,
    most: kept,
    values: null,
    finished: { least: 0, most: kept },
    stages: p.stages.length,
  };
}
