import { airTime } from "../../aim/performer.ts";
import type { Ask, AskOf } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { Counter, GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { raced } from "../../match/raced.ts";
import { allTimes, doingOf, starsFor, taskId } from "./params.ts";
import type { ChecklistParams, ListItem } from "./schema.ts";

/** One list in progress: for each task, how often it succeeded and how often it was tried. */
export interface ListGo {
  done: readonly number[];
  tried: readonly number[];
  /** The task that was chosen, if the order is free. */
  at: number | null;
  relay: boolean;
}

/** The time to choose what comes next, and the time between two of a kind, seconds. */
const CHOOSE = 2;
const GATHER = 1;
const isOpen = (params: ChecklistParams, go: ListGo, i: number) =>
  (params.how === "tick" || params.need === "done" ? go.done[i]! : go.tried[i]!) < params.tasks[i]!.times;
/** The tasks that are still to be done, beginning with the first. */
function openOf(params: ChecklistParams, go: ListGo, most = params.tasks.length): number[] {
  const open: number[] = [];
  for (let i = 0; i < params.tasks.length && open.length < most; i++) if (isOpen(params, go, i)) open.push(i);
  return open;
}
/** What is done now: the next task, or the one that was chosen. */
const current = (params: ChecklistParams, go: ListGo): number | null =>
  params.order === "fixed"
    ? (openOf(params, go, 1)[0] ?? null)
    : go.at !== null && isOpen(params, go, go.at)
      ? go.at
      : null;
/** The time for one of a kind, seconds. */
const once = (task: ListItem) =>
  GATHER + (task.task === "balance" ? task.seconds : task.task === "carry" ? task.metres : airTime(task.height));

/** The player chooses one of the tasks that may come next. */
function choosing(params: ChecklistParams, go: ListGo, player: number, may: readonly number[]) {
  const takes = { by: [player], seconds: CHOOSE, walk: 0, moving: false };
  const does = may.map((i) => ({ ...doingOf(params.tasks[i]!), done: go.done[i]!, times: params.tasks[i]!.times }));
  return { kind: "choose", player, must: true, takes, does, alike: true } as const;
}

function asks(params: ChecklistParams, go: ListGo, player: number): Ask[] {
  const may = openOf(params, go, params.order === "fixed" ? 1 : undefined);
  if (params.how === "tick") {
    const choose = choosing(params, go, player, may);
    const { takes } = choose;
    const lasts = may.map((i) => params.tasks[i]!.times * once(params.tasks[i]!));
    return [
      { ...choose, of: "tick", options: may.map(taskId), lasts, takes: { ...takes, moving: true } },
      { kind: "choose", player, must: true, takes, of: "rest", options: ["rest"], optional: true },
    ];
  }
  const at = current(params, go);
  const other = (): AskOf<"choose"> => ({
    ...choosing(params, go, player, may),
    of: "task",
    options: may.map(taskId),
  });
  if (at === null) return [other()];
  const count: Ask = {
    kind: "count",
    player,
    from: "start",
    manner: {
      action:
        params.tasks[at]!.task === "balance" ? "balance" : params.tasks[at]!.task === "carry" ? "carry" : "tossCatch",
    },
    aim: { kind: "skill", task: doingOf(params.tasks[at]!) },
    soFar: go.done[at]!,
    drops: true,
  };
  return params.order === "free" && may.length > 1 ? [count, { ...other(), optional: true }] : [count];
}

const at = (list: readonly number[], i: number, more: number) => list.map((n, k) => (k === i ? n + more : n));
const after = (params: ChecklistParams, go: ListGo, otherwise: "hit" | "miss" | "on"): StepResult<ListGo> => {
  if (openOf(params, go, 1).length === 0) return { go, after: "end" };
  return { go, after: go.relay && otherwise !== "on" ? "pass" : otherwise };
};

function step(params: ChecklistParams, givenGo: ListGo, event: GameEvent): StepResult<ListGo> | Refusal {
  if (event.kind === "choose") return chosen(params, givenGo, event);
  if (event.kind !== "count" || params.how === "tick") return refuse("refused.notInGame", { kind: event.kind });
  const i = current(params, givenGo);
  if (i === null) return refuse("refused.taskFirst");
  if (event.n === 0 && !event.drop) return refuse("refused.notInGame", { kind: event.kind });
  if (givenGo.relay && event.n + (event.drop ? 1 : 0) > 1) return refuse("refused.oneEach");
  const { times } = params.tasks[i]!;
  const tries = event.n + (event.drop ? 1 : 0);
  const most = times - (params.need === "done" ? givenGo.done[i]! : givenGo.tried[i]!);
  if ((params.need === "done" ? event.n : tries) > most || (event.n === most && event.drop))
    return refuse("refused.runMost", { most: times });
  const go = { ...givenGo, done: at(givenGo.done, i, event.n), tried: at(givenGo.tried, i, tries) };
  return after(params, go, event.drop ? "miss" : "hit");
}

function chosen(
  params: ChecklistParams,
  go: ListGo,
  e: Extract<GameEvent, { kind: "choose" }>,
): StepResult<ListGo> | Refusal {
  if (params.how === "tick" && e.of === "rest" && e.pick === "rest") return { go: go, after: "end" };
  if (e.of !== (params.how === "tick" ? "tick" : "task")) return refuse("refused.notInGame", { kind: e.kind });
  const i = params.tasks.findIndex((_, k) => taskId(k) === e.pick);
  if (i < 0) return refuse("refused.unknownTask");
  if (!isOpen(params, go, i)) return refuse("refused.taskDone");
  if (params.order === "fixed" && i !== openOf(params, go, 1)[0]) return refuse("refused.inOrder");
  if (params.how === "each")
    return params.order === "free" ? { go: { ...go, at: i }, after: "on" } : refuse("refused.inOrder");
  return after(params, { ...go, done: at(go.done, i, params.tasks[i]!.times) }, "hit");
}

const total = (list: readonly number[]) => list.reduce((eachSum, b) => eachSum + b, 0);
function sum(params: ChecklistParams, go: ListGo): Sum {
  const done = total(go.done);
  const finished = openOf(params, go, 1).length === 0;
  const [unit, value] = (
    {
      times: ["times", done],
      stars: ["stars", starsFor(done, allTimes(params))],
      sends: ["sends", total(go.tried)],
    } as const satisfies Record<ChecklistParams["score"], readonly [Unit, number]>
  )[params.score];
  const stage = params.tasks.filter((_, i) => !isOpen(params, go, i)).length;
  return {
    value,
    ...raced(unit, { value, finished, stage }),
    working: params.score === "stars" ? `${done} / ${allTimes(params)}` : "",
    // A tick does not say how many attempts it took.
    sends: params.how === "tick" ? 0 : total(go.tried),
    stage,
    stages: params.tasks.length,
    finished,
  };
}

/** If a number of successes is wanted, nothing depends on how many were tried. */
const counters = (params: ChecklistParams): readonly Counter<ListGo>[] =>
  params.how === "each" && params.need === "done"
    ? [
        {
          of: (go) => total(go.tried),
          put: (go, count) => ({ ...go, tried: go.tried.map((_, i) => (i === 0 ? count : 0)) }),
          feeds: params.score === "sends" ? ["sends", "points"] : ["sends"],
        },
      ]
    : [];

function now(params: ChecklistParams, go: ListGo): Phrase {
  if (params.how === "tick") return { key: "checklist.tick" };
  const i = current(params, go);
  if (i === null) return { key: "checklist.choose" };
  const task = params.tasks[i]!;
  const left = task.times - (params.need === "done" ? go.done[i]! : go.tried[i]!);
  return { key: `checklist.${task.task}`, params: { left, seconds: task.seconds, need: params.need } };
}

/** One go: a list of tasks, each a number of times. */
export const listGo: GoRules<ChecklistParams, ListGo> = {
  begin: (params, { setup }) => {
    const none = params.tasks.map(() => 0);
    return { done: none, tried: none, at: null, relay: setup.mode === "relay" };
  },
  asks,
  step,
  clock: (_, match) => (match.seconds === null ? null : { limit: match.seconds, rest: 0 }),
  sum,
  key: (_, go) => `${go.done.join(",")} ${go.tried.join(",")} ${go.at ?? "-"}`,
  counters,
  now,
  done: (params, go) => params.tasks.flatMap((_, i) => (isOpen(params, go, i) ? [] : [taskId(i)])),
  ended: (_, { finished }) => ({ key: finished ? "checklist.end.all" : "checklist.end" }),
  together: "share",
};

/** The score range for manual entry, see `Possible`. */
export function possible(params: ChecklistParams, match: Match): Possible {
  const all = allTimes(params);
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  const stages = params.tasks.length;
  if (params.score === "sends") {
    const most = params.need === "attempts" ? all * kept : null;
    return {
      unit: "sends",
      better: "less",
      least: 0,
      most,
      values: null,
      finished: { least: all * kept, most },
      stages,
    };
  }
  const most = (params.score === "stars" ? 3 : all) * kept;
  return {
    unit: params.score,
    better: "more",
    least: 0,
    most,
    values:
      params.score === "stars" && params.how === "each" && all >= 4
        ? Array.from({ length: most + 1 }, (_, i) => i)
        : null,
    finished: { least: 0, most },
    stages,
  };
}
