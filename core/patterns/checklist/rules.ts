import { airTime } from "../../aim/performer.ts";
import type { Ask, AskOf } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { Counter, GoRules, StepResult, Sum } from "../../match/matched.ts";
import { raced } from "../../match/raced.ts";
import { allTimes, type ChecklistParams, doingOf, type ListItem, starsFor, taskId } from "./params.ts";

/** One list on its way: of each task how many came off, and how many were tried. */
export interface ListGo {
  done: readonly number[];
  tried: readonly number[];
  /** The task that was chosen, where the order is free. */
  at: number | null;
  relay: boolean;
}

/** Choosing what comes next, seconds; and between two of a kind. */
const CHOOSE = 2;
const GATHER = 1;
const isOpen = (p: ChecklistParams, g: ListGo, i: number) =>
  (p.how === "tick" || p.need === "done" ? g.done[i]! : g.tried[i]!) < p.tasks[i]!.times;
/** The tasks that are still to be done, from the first one that is. */
function openOf(p: ChecklistParams, g: ListGo, most = p.tasks.length): number[] {
  const open: number[] = [];
  for (let i = 0; i < p.tasks.length && open.length < most; i++) if (isOpen(p, g, i)) open.push(i);
  return open;
}
/** What is done now: the next one, or the one that was chosen. */
const current = (p: ChecklistParams, g: ListGo): number | null =>
  p.order === "fixed" ? (openOf(p, g, 1)[0] ?? null) : g.at !== null && isOpen(p, g, g.at) ? g.at : null;
/** Once through one of a kind, seconds. */
const once = (t: ListItem) =>
  GATHER + (t.task === "balance" ? t.seconds : t.task === "carry" ? t.metres : airTime(t.height));

/** One of the tasks that may come next is chosen. */
function choosing(p: ChecklistParams, g: ListGo, player: number, may: readonly number[]) {
  const takes = { by: [player], seconds: CHOOSE, walk: 0, moving: false };
  const does = may.map((i) => ({ ...doingOf(p.tasks[i]!), done: g.done[i]!, times: p.tasks[i]!.times }));
  return { kind: "choose", player, must: true, takes, does, alike: true } as const;
}

function asks(p: ChecklistParams, g: ListGo, player: number): Ask[] {
  const may = openOf(p, g, p.order === "fixed" ? 1 : undefined);
  if (p.how === "tick") {
    const choose = choosing(p, g, player, may);
    const { takes } = choose;
    const lasts = may.map((i) => p.tasks[i]!.times * once(p.tasks[i]!));
    return [
      { ...choose, of: "tick", options: may.map(taskId), lasts, takes: { ...takes, moving: true } },
      { kind: "choose", player, must: true, takes, of: "rest", options: ["rest"], optional: true },
    ];
  }
  const at = current(p, g);
  const other = (): AskOf<"choose"> => ({
    ...choosing(p, g, player, may),
    of: "task",
    options: may.map(taskId),
  });
  if (at === null) return [other()];
  const count: Ask = {
    kind: "count",
    player,
    from: "start",
    manner: {
      action: p.tasks[at]!.task === "balance" ? "balance" : p.tasks[at]!.task === "carry" ? "carry" : "tossCatch",
    },
    aim: { kind: "skill", task: doingOf(p.tasks[at]!) },
    soFar: g.done[at]!,
    drops: true,
  };
  return p.order === "free" && may.length > 1 ? [count, { ...other(), optional: true }] : [count];
}

const at = (list: readonly number[], i: number, more: number) => list.map((n, k) => (k === i ? n + more : n));
const after = (p: ChecklistParams, go: ListGo, otherwise: "hit" | "miss" | "on"): StepResult<ListGo> => {
  if (openOf(p, go, 1).length === 0) return { go, after: "end" };
  return { go, after: go.relay && otherwise !== "on" ? "pass" : otherwise };
};

function step(p: ChecklistParams, g: ListGo, e: GameEvent): StepResult<ListGo> | Refusal {
  if (e.kind === "choose") return chosen(p, g, e);
  if (e.kind !== "count" || p.how === "tick") return refuse("refused.notInGame", { kind: e.kind });
  const i = current(p, g);
  if (i === null) return refuse("refused.taskFirst");
  if (e.n === 0 && !e.drop) return refuse("refused.notInGame", { kind: e.kind });
  if (g.relay && e.n + (e.drop ? 1 : 0) > 1) return refuse("refused.oneEach");
  const { times } = p.tasks[i]!;
  const tries = e.n + (e.drop ? 1 : 0);
  const most = times - (p.need === "done" ? g.done[i]! : g.tried[i]!);
  if ((p.need === "done" ? e.n : tries) > most || (e.n === most && e.drop))
    return refuse("refused.runMost", { most: times });
  const go = { ...g, done: at(g.done, i, e.n), tried: at(g.tried, i, tries) };
  return after(p, go, e.drop ? "miss" : "hit");
}

function chosen(
  p: ChecklistParams,
  g: ListGo,
  e: Extract<GameEvent, { kind: "choose" }>,
): StepResult<ListGo> | Refusal {
  if (p.how === "tick" && e.of === "rest" && e.pick === "rest") return { go: g, after: "end" };
  if (e.of !== (p.how === "tick" ? "tick" : "task")) return refuse("refused.notInGame", { kind: e.kind });
  const i = p.tasks.findIndex((_, k) => taskId(k) === e.pick);
  if (i < 0) return refuse("refused.unknownTask");
  if (!isOpen(p, g, i)) return refuse("refused.taskDone");
  if (p.order === "fixed" && i !== openOf(p, g, 1)[0]) return refuse("refused.inOrder");
  if (p.how === "each") return p.order === "free" ? { go: { ...g, at: i }, after: "on" } : refuse("refused.inOrder");
  return after(p, { ...g, done: at(g.done, i, p.tasks[i]!.times) }, "hit");
}

const total = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
function sum(p: ChecklistParams, g: ListGo): Sum {
  const done = total(g.done);
  const finished = openOf(p, g, 1).length === 0;
  const [unit, value] = (
    {
      times: ["times", done],
      stars: ["stars", starsFor(done, allTimes(p))],
      sends: ["sends", total(g.tried)],
    } as const satisfies Record<ChecklistParams["score"], readonly [Unit, number]>
  )[p.score];
  const stage = p.tasks.filter((_, i) => !isOpen(p, g, i)).length;
  return {
    value,
    ...raced(unit, { value, finished, stage }),
    working: p.score === "stars" ? `${done} / ${allTimes(p)}` : "",
    // A tick leaves the attempts unknown.
    sends: p.how === "tick" ? 0 : total(g.tried),
    stage,
    stages: p.tasks.length,
    finished,
  };
}

/** Where so many have to come off, nothing depends on how many were tried. */
const counters = (p: ChecklistParams): readonly Counter<ListGo>[] =>
  p.how === "each" && p.need === "done"
    ? [
        {
          of: (g) => total(g.tried),
          put: (g, n) => ({ ...g, tried: g.tried.map((_, i) => (i === 0 ? n : 0)) }),
          feeds: p.score === "sends" ? ["sends", "points"] : ["sends"],
        },
      ]
    : [];

function now(p: ChecklistParams, g: ListGo): Phrase {
  if (p.how === "tick") return { key: "checklist.tick" };
  const i = current(p, g);
  if (i === null) return { key: "checklist.choose" };
  const t = p.tasks[i]!;
  const left = t.times - (p.need === "done" ? g.done[i]! : g.tried[i]!);
  return { key: `checklist.${t.task}`, params: { left, seconds: t.seconds, need: p.need } };
}

/** One go: a list of tasks, so many times each. */
export const listGo: GoRules<ChecklistParams, ListGo> = {
  begin: (p, { setup }) => {
    const none = p.tasks.map(() => 0);
    return { done: none, tried: none, at: null, relay: setup.mode === "relay" };
  },
  asks,
  step,
  clock: (_, m) => (m.seconds === null ? null : { limit: m.seconds, rest: 0 }),
  sum,
  key: (_, g) => `${g.done.join(",")} ${g.tried.join(",")} ${g.at ?? "-"}`,
  counters,
  now,
  done: (p, g) => p.tasks.flatMap((_, i) => (isOpen(p, g, i) ? [] : [taskId(i)])),
  ended: (_, { finished }) => ({ key: finished ? "checklist.end.all" : "checklist.end" }),
  together: "share",
};

/** Written on paper: see `Possible`. */
export function possible(p: ChecklistParams, m: Match): Possible {
  const all = allTimes(p);
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  const stages = p.tasks.length;
  if (p.score === "sends") {
    const most = p.need === "attempts" ? all * kept : null;
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
  const most = (p.score === "stars" ? 3 : all) * kept;
  return {
    unit: p.score,
    better: "more",
    least: 0,
    most,
    values: p.score === "stars" && p.how === "each" && all >= 4 ? Array.from({ length: most + 1 }, (_, i) => i) : null,
    finished: { least: 0, most },
    stages,
  };
}
