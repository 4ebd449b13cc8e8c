import type { Ask } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { sumOfMany } from "../../match/end.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { MAX_RUN } from "./limits.ts";
import { aimOf, mannerOf } from "./params.ts";
import type { Stage, StreakParams } from "./schema.ts";

/** One go: a run that grows, and the highest count of each stage. */
export interface StreakGo {
  stage: number;
  run: number;
  /** The highest count of each stage. */
  best: readonly number[];
  /** The highest count of this stage before this run, because a typed run replaces what was tapped of it. */
  before: number;
  drops: number;
  /** The stages passed, at most and now. */
  high: number;
  /** The bell has rung, and the player is to say how far the run got. */
  closing: boolean;
  relay: boolean;
}

/** The time to say how many it was, seconds. */
const TELL = 4;
const stageOf = (params: StreakParams, go: StreakGo): Stage =>
  params.stages[Math.min(go.stage, params.stages.length - 1)]!;
/** How many more the stage needs. */
const leftIn = (params: StreakParams, go: StreakGo) => (stageOf(params, go).count ?? MAX_RUN) - go.run;

function asks(params: StreakParams, go: StreakGo, player: number): Ask[] {
  const stage = stageOf(params, go);
  const most = stage.count ?? MAX_RUN;
  const takes = { by: [player], seconds: TELL, walk: 0, moving: false };
  const total = { kind: "total", player, soFar: go.run, most, takes } as const;
  if (go.closing) return [total];
  const count = {
    kind: "count",
    player,
    from: "start",
    manner: mannerOf(stage),
    aim: aimOf(stage),
    soFar: go.run,
    ...EACH[stage.task],
  } as const;
  // With both hands busy, the run is told once it has ended with a drop.
  return [{ ...count, drops: true }, ...(go.relay || stage.inAll ? [] : [{ ...total, optional: true as const }])];
}

/**
 * The go with a new count, past the stage if that is enough. `least`: the count of the stage that stands in any case.
 */
function counted(params: StreakParams, go: StreakGo, run: number, least = go.best[go.stage] ?? 0): StreakGo {
  const best = go.best.map((b, i) => (i === go.stage ? Math.max(least, run) : b));
  const { count } = stageOf(params, go);
  // A stage without a count of its own is passed only at the highest count there is.
  if (run !== (count ?? MAX_RUN)) return { ...go, run, best };
  const stage = go.stage + 1;
  return begun({ ...go, stage, run: 0, best, high: count === null ? go.high : Math.max(go.high, stage) });
}
/** A run begins. The stage's count from before it stays. */
const begun = (go: StreakGo): StreakGo => ({ ...go, before: go.best[go.stage] ?? 0 });
function dropped(params: StreakParams, go: StreakGo): StreakGo {
  const drops = go.drops + 1;
  if (!params.stays && go.stage > 0) return begun({ ...go, drops, stage: go.stage - 1, run: 0 });
  if (stageOf(params, go).inAll) return { ...go, drops };
  return begun({ ...go, drops, run: params.drop === "costsOne" ? Math.max(0, go.run - 1) : 0 });
}
const ends = (params: StreakParams, go: StreakGo) =>
  go.stage >= params.stages.length ||
  (params.tries !== null && go.drops >= params.tries) ||
  (params.drop === "ends" && go.drops > 0);

function step(
  params: StreakParams,
  givenGo: StreakGo,
  event: GameEvent,
  corrects = true,
): StepResult<StreakGo> | Refusal {
  if (event.kind === "total") {
    if (event.n > (stageOf(params, givenGo).count ?? MAX_RUN))
      return refuse("refused.runMost", { most: stageOf(params, givenGo).count ?? MAX_RUN });
    const typed = () => counted(params, givenGo, event.n, corrects ? givenGo.before : undefined);
    if (givenGo.closing) return { go: { ...typed(), closing: false }, after: "end" };
    if (givenGo.relay || stageOf(params, givenGo).inAll) return refuse("refused.notInGame", { kind: event.kind });
    const afterTotal = typed();
    // An event that passes the stage was no drop.
    const go = afterTotal.stage > givenGo.stage ? afterTotal : dropped(params, afterTotal);
    return { go, after: ends(params, go) ? "end" : afterTotal.stage > givenGo.stage ? "on" : "miss" };
  }
  if (event.kind !== "count") return refuse("refused.notInGame", { kind: event.kind });
  if (givenGo.closing) return refuse("refused.afterBell");
  if (event.n > leftIn(params, givenGo))
    return refuse("refused.runMost", { most: stageOf(params, givenGo).count ?? MAX_RUN });
  if (givenGo.relay && event.n > 1) return refuse("refused.oneEach");
  if (event.n === 0 && !event.drop) return refuse("refused.notInGame", { kind: event.kind });
  const up = event.n > 0 ? counted(params, givenGo, givenGo.run + event.n) : givenGo;
  if (up.stage >= params.stages.length) return { go: up, after: "end" };
  const go = event.drop ? dropped(params, up) : up;
  if (ends(params, go)) return { go, after: "end" };
  // Together, touches alternate, and whoever dropped it starts again.
  return { go, after: givenGo.relay ? (event.drop ? "on" : "pass") : event.drop ? "miss" : "on" };
}

const EACH: Partial<Record<Stage["task"], { each: "second" }>> = { balance: { each: "second" } };
const COUNTED: Partial<Record<Stage["task"], Unit>> = { balance: "seconds", carry: "steps" };
/** The unit of a score. `times` if the stages count different things. */
function unitOf(params: StreakParams): Unit {
  if (params.score === "stage") return "stages";
  const all = new Set(params.stages.map((stage): Unit => COUNTED[stage.task] ?? "touches"));
  return all.size === 1 ? [...all][0]! : "times";
}
const worth = (params: StreakParams, g: Pick<StreakGo, "best" | "high">) =>
  params.score === "stage"
    ? g.high
    : params.score === "sum"
      ? g.best.reduce((eachSum, b) => eachSum + b, 0)
      : Math.max(...g.best);

function sum(params: StreakParams, go: StreakGo): Sum {
  const value = worth(params, go);
  const parts = go.best.filter((b) => b > 0);
  return {
    value,
    unit: unitOf(params),
    better: "more",
    rank: value,
    working: params.score === "sum" ? sumOfMany(parts, value) : "",
    // A send is a try, which ends with a drop.
    sends: go.drops,
    stage: go.high,
    stages: params.stages.length,
    finished: go.stage >= params.stages.length,
  };
}

function now(givenParams: StreakParams, go: StreakGo): Phrase {
  if (go.closing) return { key: "streak.total" };
  const stage = stageOf(givenParams, go);
  const params = {
    hand: stage.hand,
    posture: stage.posture,
    left: stage.count === null ? 0 : stage.count - go.run,
    stage: givenParams.stages.length > 1 ? go.stage + 1 : 0,
  };
  return { key: `streak.${stage.task}`, params };
}

/** One go: the longest run, or a number in a row, stage by stage. */
export const streakGo: GoRules<StreakParams, StreakGo> = {
  begin: (params, { setup }) => ({
    stage: 0,
    run: 0,
    best: params.stages.map(() => 0),
    before: 0,
    drops: 0,
    high: 0,
    closing: false,
    relay: setup.mode === "relay",
  }),
  asks,
  step: (params, go, event) => step(params, go, event),
  // A touch out of turn is a drop, and whoever dropped it starts again.
  outOfTurn: (_, go, event) =>
    event.kind === "count" && !go.closing ? { event: { ...event, n: 0, drop: true }, turn: "theirs" } : null,
  clock: (_, match, go) => (match.seconds === null ? null : { limit: go.closing ? null : match.seconds, rest: 0 }),
  bell: (_, go) => ({ go: { ...go, closing: true }, after: "on" }),
  sum,
  key: (params, go) => {
    const held = params.score === "stage" ? "" : params.score === "sum" ? go.best.join(",") : Math.max(...go.best);
    return `${go.stage} ${go.run} ${held} ${go.drops} ${go.high} ${go.closing ? 1 : 0}`;
  },
  counters: (params) =>
    params.tries === null && params.drop !== "ends"
      ? [{ of: (go) => go.drops, put: (go, drops) => ({ ...go, drops }), feeds: ["sends"] }]
      : [],
  now,
  done: () => [],
  ended: (_, { finished }) => ({ key: finished ? "streak.end.all" : "streak.end" }),
  together: "share",
};

/** Until version 2 a touch out of turn counted like any other, and a typed run never replaced what had been tapped. */
const { outOfTurn: _, ...others } = streakGo;
export const streakGo1: GoRules<StreakParams, StreakGo> = {
  ...others,
  step: (params, go, event) => step(params, go, event, false),
};

/** The score range for manual entry, see `Possible`. */
export function possible(params: StreakParams, match: Match): Possible {
  const tops = params.stages.map((stage) => stage.count ?? MAX_RUN);
  const most = worth(params, { best: tops, high: params.stages.filter((stage) => stage.count !== null).length });
  const kept = most * (match.goes.keep === "total" ? match.goes.count : 1);
  return {
    unit: unitOf(params),
    better: "more",
    least: 0,
    most: kept,
    values: null,
    finished: { least: 0, most: kept },
    stages: params.stages.length,
  };
}
