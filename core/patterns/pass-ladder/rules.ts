import type { Aim, Ask } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse, type Unit } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import { raced } from "../../match/raced.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { mannerOfTurn } from "../../targets/ways.ts";
import { markId, type PassParams } from "./params.ts";

/** One climb from mark to mark. */
export interface PassGo {
  mark: number;
  /** Clean ones at this mark, and in all. */
  clean: number;
  all: number;
  /** Marks passed at most. */
  high: number;
  sends: number;
  relay: boolean;
}

const aimsOf = memoizeByIdentity((p: PassParams): readonly Aim[] =>
  p.marks.map((_, i): Aim => {
    const mark = markId(i);
    if (p.way.kind === "chase") return { kind: "chase", mark, after: i === 0 ? null : markId(i - 1), turn: p.way.turn };
    if (p.way.kind === "pair") return { kind: "receive", mark, bounce: p.way.bounce };
    return { kind: "any", want: [mark], among: [mark] };
  }),
);
export const aimAt = (p: PassParams, i: number): Aim => aimsOf(p)[i]!;

const asks = (p: PassParams, g: PassGo, player: number): Ask[] => [
  {
    kind: "send",
    player,
    from: "start",
    manner: mannerOfTurn(p.ways, p.things, g.mark),
    aim: aimAt(p, g.mark),
    fetch: true,
  },
];

/** What was seen: clean, a drop, or neither (it lay still before anybody was there). */
function seen(p: PassParams, g: PassGo, e: GameEvent): "clean" | "drop" | "short" | null {
  if (e.kind !== "send") return null;
  const mark = markId(g.mark);
  if (p.way.kind === "container") {
    if (e.hit === undefined) return null;
    return e.hit === null ? "drop" : e.hit === mark ? "clean" : null;
  }
  if (e.rest === mark) return "clean";
  if (e.rest === "over") return "drop";
  return e.rest === "short" && p.way.kind === "chase" ? "short" : null;
}

function step(p: PassParams, g: PassGo, e: GameEvent): StepResult<PassGo> | Refusal {
  const what = seen(p, g, e);
  if (what === null) return refuse("refused.notInGame", { kind: e.kind });
  const sent = { ...g, sends: g.sends + 1 };
  const spent = p.sends !== null && sent.sends >= p.sends;
  const end = (go: PassGo, after: "hit" | "miss"): StepResult<PassGo> => {
    if (spent || go.mark >= p.marks.length) return { go, after: "end" };
    // Together the sender changes whenever the mark does.
    if (go.relay) return { go, after: go.mark === g.mark ? "on" : "pass" };
    return { go, after };
  };
  if (what === "short") return end(sent, "miss");
  if (what === "clean") {
    const clean = g.clean + 1;
    const up = clean === p.passes;
    const mark = up ? g.mark + 1 : g.mark;
    return end({ ...sent, all: g.all + 1, clean: up ? 0 : clean, mark, high: Math.max(g.high, mark) }, "hit");
  }
  if (p.drop === "stay") return end(sent, "miss");
  return end({ ...sent, clean: 0, mark: p.drop === "back" ? Math.max(0, g.mark - 1) : g.mark }, "miss");
}

const UNIT: Record<PassParams["score"], Unit> = { marks: "marks", passes: "passes", time: "tenths" };
function sum(p: PassParams, g: PassGo, ms: number): Sum {
  const value = { marks: g.high, passes: g.all, time: Math.round(ms / 100) }[p.score];
  const finished = g.mark >= p.marks.length;
  return {
    value,
    ...raced(UNIT[p.score], { value, finished, stage: g.high }),
    working: "",
    sends: g.sends,
    stage: g.high,
    stages: p.marks.length,
    finished,
  };
}

/** One go: so many clean passes at a mark open the next. */
export const passGo: GoRules<PassParams, PassGo> = {
  begin: (_, { setup }) => ({ mark: 0, clean: 0, all: 0, high: 0, sends: 0, relay: setup.mode === "relay" }),
  asks,
  step,
  // What somebody sends whose turn it is not is a drop, caught or not.
  outOfTurn: (p, g, e) =>
    e.kind === "send" && seen(p, g, e) !== null
      ? { event: p.way.kind === "container" ? { ...e, hit: null } : { ...e, rest: "over" }, turn: "stays" }
      : null,
  clock: (p, m) => (m.seconds !== null || p.score === "time" ? { limit: m.seconds, rest: 0 } : null),
  sum,
  key: (p, g) => `${g.mark} ${g.clean} ${p.score === "passes" ? g.all : ""} ${g.high} ${g.sends}`,
  counters: (p) => [
    ...(p.sends === null
      ? [
          {
            of: (g: PassGo) => g.sends,
            put: (g: PassGo, sends: number) => ({ ...g, sends }),
            feeds: ["sends"] as const,
          },
        ]
      : []),
    ...(p.score === "passes"
      ? [{ of: (g: PassGo) => g.all, put: (g: PassGo, all: number) => ({ ...g, all }), feeds: ["points"] as const }]
      : []),
  ],
  now: (p, g): Phrase => ({
    key: `passLadder.${p.way.kind}`,
    params: { mark: g.mark + 1, left: p.passes - g.clean },
  }),
  done: (p, g) => p.marks.flatMap((_, i) => (i < g.mark ? [markId(i)] : [])),
  ended: (_, { finished }) => ({ key: finished ? "passLadder.end.top" : "passLadder.end" }),
  together: "share",
};

/** Until version 2 it counted whoever had sent it. */
export const { outOfTurn: _, ...passGo1 } = passGo;

/** Written on paper: see `Possible`. */
export function possible(p: PassParams, m: Match): Possible {
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  const stages = p.marks.length;
  const least = p.passes * stages;
  if (p.score === "time") {
    const most = m.seconds === null ? null : m.seconds * 10 * kept;
    return { unit: "tenths", better: "less", least: 0, most, values: null, finished: { least: 0, most }, stages };
  }
  const most = (): number | null => {
    if (p.score === "marks") return Math.min(stages, Math.floor((p.sends ?? Number.POSITIVE_INFINITY) / p.passes));
    // Dropped and begun again, passes add up.
    if (p.drop === "stay") return p.sends === null ? least : Math.min(least, p.sends);
    return p.sends;
  };
  const can = most();
  const top = can === null ? null : can * kept;
  return {
    unit: p.score,
    better: "more",
    least: 0,
    most: top,
    values: null,
    finished: { least: 0, most: top },
    stages,
  };
}
