import type { Aim, Ask } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { raced } from "../../match/raced.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { mannerOfTurn } from "../../targets/ways.ts";
import { markId } from "./limits.ts";
import type { PassParams } from "./schema.ts";

/** One climb from mark to mark. */
export interface PassGo {
  mark: number;
  /** The clean passes at this mark, and in all. */
  clean: number;
  all: number;
  /** The most marks that were passed. */
  high: number;
  sends: number;
  relay: boolean;
}

const aimsOf = memoizeByIdentity((params: PassParams): readonly Aim[] =>
  params.marks.map((_, i): Aim => {
    const mark = markId(i);
    if (params.way.kind === "chase")
      return { kind: "chase", mark, after: i === 0 ? null : markId(i - 1), turn: params.way.turn };
    if (params.way.kind === "pair") return { kind: "receive", mark, bounce: params.way.bounce };
    return { kind: "any", want: [mark], among: [mark] };
  }),
);
export const aimAt = (params: PassParams, i: number): Aim => aimsOf(params)[i]!;

const asks = (params: PassParams, go: PassGo, player: number): Ask[] => [
  {
    kind: "send",
    player,
    from: "start",
    manner: mannerOfTurn(params.ways, params.things, go.mark),
    aim: aimAt(params, go.mark),
    fetch: true,
  },
];

/** What was seen: a clean pass, a drop, or neither (it lay still before anybody got there). */
function seen(params: PassParams, go: PassGo, event: GameEvent): "clean" | "drop" | "short" | null {
  if (event.kind !== "send") return null;
  const mark = markId(go.mark);
  if (params.way.kind === "container") {
    if (event.hit === undefined) return null;
    return event.hit === null ? "drop" : event.hit === mark ? "clean" : null;
  }
  if (event.rest === mark) return "clean";
  if (event.rest === "over") return "drop";
  return event.rest === "short" && params.way.kind === "chase" ? "short" : null;
}

function step(params: PassParams, givenGo: PassGo, event: GameEvent): StepResult<PassGo> | Refusal {
  const what = seen(params, givenGo, event);
  if (what === null) return refuse("refused.notInGame", { kind: event.kind });
  const sent = { ...givenGo, sends: givenGo.sends + 1 };
  const spent = params.sends !== null && sent.sends >= params.sends;
  const end = (go: PassGo, after: "hit" | "miss"): StepResult<PassGo> => {
    if (spent || go.mark >= params.marks.length) return { go, after: "end" };
    // As a team, the sender changes whenever the mark does.
    if (go.relay) return { go, after: go.mark === givenGo.mark ? "on" : "pass" };
    return { go, after };
  };
  if (what === "short") return end(sent, "miss");
  if (what === "clean") {
    const clean = givenGo.clean + 1;
    const up = clean === params.passes;
    const mark = up ? givenGo.mark + 1 : givenGo.mark;
    return end(
      { ...sent, all: givenGo.all + 1, clean: up ? 0 : clean, mark, high: Math.max(givenGo.high, mark) },
      "hit",
    );
  }
  if (params.drop === "stay") return end(sent, "miss");
  return end(
    { ...sent, clean: 0, mark: params.drop === "back" ? Math.max(0, givenGo.mark - 1) : givenGo.mark },
    "miss",
  );
}

const UNIT: Record<PassParams["score"], Unit> = { marks: "marks", passes: "passes", time: "tenths" };
function sum(params: PassParams, go: PassGo, ms: number): Sum {
  const value = { marks: go.high, passes: go.all, time: Math.round(ms / 100) }[params.score];
  const finished = go.mark >= params.marks.length;
  return {
    value,
    ...raced(UNIT[params.score], { value, finished, stage: go.high }),
    working: "",
    sends: go.sends,
    stage: go.high,
    stages: params.marks.length,
    finished,
  };
}

/** One go: a number of clean passes at a mark opens the next. */
export const passGo: GoRules<PassParams, PassGo> = {
  begin: (_, { setup }) => ({ mark: 0, clean: 0, all: 0, high: 0, sends: 0, relay: setup.mode === "relay" }),
  asks,
  step,
  // A pass by somebody whose turn it is not counts as a drop, even if it was caught.
  outOfTurn: (params, go, event) =>
    event.kind === "send" && seen(params, go, event) !== null
      ? { event: params.way.kind === "container" ? { ...event, hit: null } : { ...event, rest: "over" }, turn: "stays" }
      : null,
  clock: (params, match) =>
    match.seconds !== null || params.score === "time" ? { limit: match.seconds, rest: 0 } : null,
  sum,
  key: (params, go) => `${go.mark} ${go.clean} ${params.score === "passes" ? go.all : ""} ${go.high} ${go.sends}`,
  counters: (params) => [
    ...(params.sends === null
      ? [
          {
            of: (go: PassGo) => go.sends,
            put: (go: PassGo, sends: number) => ({ ...go, sends }),
            feeds: ["sends"] as const,
          },
        ]
      : []),
    ...(params.score === "passes"
      ? [{ of: (go: PassGo) => go.all, put: (go: PassGo, all: number) => ({ ...go, all }), feeds: ["points"] as const }]
      : []),
  ],
  now: (params, go): Phrase => ({
    key: `passLadder.${params.way.kind}`,
    params: { mark: go.mark + 1, left: params.passes - go.clean },
  }),
  done: (params, go) => params.marks.flatMap((_, i) => (i < go.mark ? [markId(i)] : [])),
  ended: (_, { finished }) => ({ key: finished ? "passLadder.end.top" : "passLadder.end" }),
  together: "share",
};

/** Until version 2 a pass counted, whoever sent it. */
export const { outOfTurn: _, ...passGo1 } = passGo;

/** The score range for manual entry, see `Possible`. */
export function possible(params: PassParams, match: Match): Possible {
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  const stages = params.marks.length;
  const least = params.passes * stages;
  if (params.score === "time") {
    const most = match.seconds === null ? null : match.seconds * 10 * kept;
    return { unit: "tenths", better: "less", least: 0, most, values: null, finished: { least: 0, most }, stages };
  }
  const most = (): number | null => {
    if (params.score === "marks")
      return Math.min(stages, Math.floor((params.sends ?? Number.POSITIVE_INFINITY) / params.passes));
    // If a drop costs nothing, passes add up.
    if (params.drop === "stay") return params.sends === null ? least : Math.min(least, params.sends);
    return params.sends;
  };
  const can = most();
  const top = can === null ? null : can * kept;
  return {
    unit: params.score,
    better: "more",
    least: 0,
    most: top,
    values: null,
    finished: { least: 0, most: top },
    stages,
  };
}
