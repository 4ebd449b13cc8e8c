import type { Ask } from "../../asks/ask.ts";
import { isRefusal, type Phrase, type Possible, type Refusal, refuse, type Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import { raced } from "../../match/raced.ts";
import { lineId } from "../../targets/lines.ts";
import { allStanding, felled, type Standing, standingKey } from "../../targets/standing.ts";
import { idsUpTo, LINES_BACK, type StackParams, spotsOf } from "./params.ts";

/** The row of a side, or of all where they share one. */
interface Row {
  /** Pins that belong to it now. */
  n: number;
  standing: Standing;
  /** Sends of the round under way, and rounds that are done. */
  sent: number;
  rounds: number;
  /** Times that it began again, and the highest row that was cleared since. */
  laps: number;
  best: number;
  /** Pins are to be set up before play goes on. */
  owes: boolean;
  over: boolean;
}
export interface StackGo {
  row: Row;
  /** What this side felled and sent itself. */
  felled: number;
  sends: number;
  /** Rounds of its own: on a row that is shared each side has its own number of them. */
  rounds: number;
  shared: boolean;
  /** All send in turn within a round. */
  relay: boolean;
}

/** Setting up one pin, seconds. */
const STAND = 1.5;
const shared = (p: StackParams, setup: Setup) => p.heap === "shared" && setup.mode === "against";
const fresh = (n: number) => ({ n, standing: allStanding(idsUpTo(n)), sent: 0 });
const lineOf = (p: StackParams, laps: number) => (p.after === "again" ? lineId(Math.min(laps, LINES_BACK)) : "start");

function asks(p: StackParams, { row }: StackGo, player: number): Ask[] {
  if (row.owes) {
    const takes = { by: [player], seconds: 1 + STAND * row.n, walk: p.distance + p.back * row.laps, moving: true };
    return [{ kind: "stand", player, what: "pins", takes }];
  }
  const standing = spotsOf(p, row.n)
    .filter((s) => row.standing.ids.includes(s.id))
    .slice(0, row.standing.left);
  const known = row.standing.known ? {} : { known: false as const };
  const aim = {
    kind: "fall",
    standing,
    each: 1,
    all: p.score === "felled" ? 0 : row.n,
    ...known,
    ...(p.pinOnPin && { knocks: true as const }),
  } as const;
  return [{ kind: "send", player, from: lineOf(p, row.laps), manner: {}, aim, fetch: true }];
}

function step(p: StackParams, g: StackGo, e: GameEvent, ownRounds = true): StepResult<StackGo> | Refusal {
  const { row } = g;
  if (e.kind === "stand") {
    if (!row.owes) return refuse("refused.allStand");
    return { go: { ...g, row: { ...row, owes: false } }, after: "on" };
  }
  if (e.kind !== "send" || e.fell === undefined) return refuse("refused.notInGame", { kind: e.kind });
  if (row.owes) return refuse("refused.standFirst");
  const fell = felled(row.standing, e.fell);
  if (isRefusal(fell)) return fell;
  const go = { ...g, felled: g.felled + fell.n, sends: g.sends + 1 };
  const sent = row.sent + 1;
  const cleared = fell.stand.left === 0;
  // A round ends as soon as nothing stands. Together the next one sends within it.
  if (!cleared && sent < p.sends)
    return {
      go: { ...go, row: { ...row, standing: fell.stand, sent } },
      after: g.relay ? (fell.n > 0 ? "hit" : "miss") : "on",
    };
  const rounds = g.rounds + 1;
  const spent = p.rounds !== null && (ownRounds ? rounds : row.rounds + 1) >= p.rounds;
  // With its own rounds used a side is done; the row goes on for the other.
  const next = { ...go, rounds, row: ended(p, row, cleared, spent && !(g.shared && ownRounds)) };
  return { go: next, after: spent || next.row.over ? "end" : cleared ? "hit" : "miss" };
}

/** The row after a round that was cleared, or not. */
function ended(p: StackParams, row: Row, cleared: boolean, spent: boolean): Row {
  const rounds = row.rounds + 1;
  const next = { ...row, rounds, owes: true };
  if (!cleared) {
    const lost = row.n === 1 && p.firstEnds;
    return { ...next, ...fresh(Math.max(1, row.n - 1)), over: spent || lost };
  }
  const best = Math.max(row.best, row.n);
  if (row.n < p.full) return { ...next, ...fresh(row.n + 1), best, over: spent };
  if (p.after === "stop") return { ...next, best, over: true };
  return { ...next, ...fresh(1), laps: row.laps + 1, best: 0, over: spent };
}

/** The highest row that was cleared, full ones before it counted whole. */
const heightOf = (p: StackParams, { row }: StackGo) => row.laps * p.full + row.best;
const isFull = (p: StackParams, { row }: StackGo) => row.laps > 0 || row.best === p.full;

function sum(p: StackParams, g: StackGo, ms: number): Sum {
  const finished = isFull(p, g);
  const stage = g.row.laps > 0 ? p.full : g.row.best;
  const by = g.shared ? "felled" : p.score;
  const told = {
    rounds: ["rounds", g.row.rounds],
    row: ["pins", heightOf(p, g)],
    felled: ["pins", g.felled],
    time: ["tenths", Math.round(ms / 100)],
  } as const;
  const [unit, value] = told[by];
  const working =
    by === "row" && g.row.laps > 0 ? `${Array(g.row.laps).fill(p.full).join(" + ")} + ${g.row.best} = ${value}` : "";
  return {
    value,
    ...raced(unit, { value, finished, stage }),
    working,
    sends: g.sends,
    stage,
    stages: p.full,
    finished,
  };
}

function now(p: StackParams, { row }: StackGo): Phrase {
  const back = row.laps > 0 ? Math.min(row.laps, LINES_BACK) + 1 : 0;
  if (row.owes) return { key: "stackUp.stand", params: { pins: row.n } };
  return { key: "stackUp.send", params: { left: row.standing.left, send: row.sent + 1, sends: p.sends, line: back } };
}

/** One go: a pin more after each round that clears the row, one fewer after each that does not. */
export const stackGo: GoRules<StackParams, StackGo> = {
  begin: (p, { setup }) => ({
    row: { ...fresh(1), rounds: 0, laps: 0, best: 0, owes: false, over: false },
    felled: 0,
    sends: 0,
    rounds: 0,
    shared: shared(p, setup),
    relay: setup.mode === "relay",
  }),
  asks,
  step: (p, g, e) => step(p, g, e),
  clock: (p, m) => (m.seconds !== null || p.score === "time" ? { limit: m.seconds, rest: 0 } : null),
  sum,
  key: (p, { row, felled: fell, sends, rounds, shared: both }) => {
    const own = both ? ` ${fell} ${rounds}` : p.score === "felled" ? ` ${fell}` : "";
    return `${row.n} ${standingKey(row.standing)} ${row.sent} ${row.rounds} ${row.laps} ${row.best} ${row.owes ? 1 : 0} ${sends}${own}`;
  },
  counters: (p) => [
    { of: (g) => g.sends, put: (g, sends) => ({ ...g, sends }), feeds: ["sends"] },
    ...(p.score === "felled"
      ? [
          {
            of: (g: StackGo) => g.felled,
            put: (g: StackGo, felled: number) => ({ ...g, felled }),
            feeds: ["points"] as const,
          },
        ]
      : []),
    ...(p.rounds === null
      ? [
          {
            of: (g: StackGo) => g.row.rounds,
            put: (g: StackGo, rounds: number) => ({ ...g, rounds, row: { ...g.row, rounds } }),
            feeds: p.score === "rounds" ? (["points"] as const) : [],
          },
        ]
      : []),
  ],
  now,
  done: (_, { row }) =>
    row.owes || !row.standing.known ? [] : idsUpTo(row.n).filter((id) => !row.standing.ids.includes(id)),
  ended: (_, { finished }) => ({ key: finished ? "stackUp.end.full" : "stackUp.end" }),
  together: "share",
  meet: {
    shared,
    tell: (_, other, mine) => ({ go: { ...other, row: mine.row }, after: mine.row.over ? "end" : "on" }),
  },
};

/** Until version 2 the rounds of a shared row were those of all sides together. */
export const stackGo1: GoRules<StackParams, StackGo> = { ...stackGo, step: (p, g, e) => step(p, g, e, false) };

/** Written on paper: see `Possible`. */
export function possible(p: StackParams, m: Match): Possible {
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  const times = (x: number | null) => (x === null ? null : x * kept);
  const stages = p.full;
  if (p.score === "rounds" || p.score === "time") {
    const most = times(p.score === "rounds" ? p.rounds : m.seconds === null ? null : m.seconds * 10);
    const least = p.score === "rounds" ? p.full * kept : 0;
    const unit = p.score === "rounds" ? "rounds" : "tenths";
    return { unit, better: "less", least: 0, most, values: null, finished: { least, most }, stages };
  }
  const again = p.after === "again";
  // Whole rows come first; what was felled of a row that was not cleared counts too.
  const most = (): number | null => {
    if (p.score === "row") return again ? (p.rounds === null ? null : p.rounds) : Math.min(p.full, p.rounds ?? p.full);
    if (p.rounds === null) return null;
    return p.rounds * p.full;
  };
  const top = times(most());
  return { unit: "pins", better: "more", least: 0, most: top, values: null, finished: { least: 0, most: top }, stages };
}
