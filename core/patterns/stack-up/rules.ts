import type { Ask } from "../../asks/ask.ts";
import { isRefusal, type Phrase, type Possible, type Refusal, refuse, type Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { raced } from "../../match/raced.ts";
import { lineId } from "../../targets/lines.ts";
import { allStanding, felled, type Standing, standingKey } from "../../targets/standing.ts";
import { LINES_BACK } from "./limits.ts";
import { idsUpTo, spotsOf } from "./params.ts";
import type { StackParams } from "./schema.ts";

/** The row of a side, or of everybody if they share one. */
interface Row {
  /** The pins that belong to it now. */
  n: number;
  standing: Standing;
  /** The sends of the current round, and the rounds that are done. */
  sent: number;
  rounds: number;
  /** How often the row began again, and the longest row that was cleared since. */
  laps: number;
  best: number;
  /** Pins have to be set up before play goes on. */
  owes: boolean;
  over: boolean;
}
export interface StackGo {
  row: Row;
  /** What this side felled and sent itself. */
  felled: number;
  sends: number;
  /** The rounds of this side. On a shared row each side counts its own. */
  rounds: number;
  shared: boolean;
  /** Everybody sends in turn within a round. */
  relay: boolean;
}

/** The time to set up one pin, seconds. */
const STAND = 1.5;
const shared = (params: StackParams, setup: Setup) => params.heap === "shared" && setup.mode === "against";
const fresh = (count: number) => ({ n: count, standing: allStanding(idsUpTo(count)), sent: 0 });
const lineOf = (params: StackParams, laps: number) =>
  params.after === "again" ? lineId(Math.min(laps, LINES_BACK)) : "start";

function asks(params: StackParams, { row }: StackGo, player: number): Ask[] {
  if (row.owes) {
    const takes = {
      by: [player],
      seconds: 1 + STAND * row.n,
      walk: params.distance + params.back * row.laps,
      moving: true,
    };
    return [{ kind: "stand", player, what: "pins", takes }];
  }
  const standing = spotsOf(params, row.n)
    .filter((spot) => row.standing.ids.includes(spot.id))
    .slice(0, row.standing.left);
  const known = row.standing.known ? {} : { known: false as const };
  const aim = {
    kind: "fall",
    standing,
    each: 1,
    all: params.score === "felled" ? 0 : row.n,
    ...known,
    ...(params.pinOnPin && { knocks: true as const }),
  } as const;
  return [{ kind: "send", player, from: lineOf(params, row.laps), manner: {}, aim, fetch: true }];
}

function step(
  params: StackParams,
  givenGo: StackGo,
  event: GameEvent,
  ownRounds = true,
): StepResult<StackGo> | Refusal {
  const { row } = givenGo;
  if (event.kind === "stand") {
    if (!row.owes) return refuse("refused.allStand");
    return { go: { ...givenGo, row: { ...row, owes: false } }, after: "on" };
  }
  if (event.kind !== "send" || event.fell === undefined) return refuse("refused.notInGame", { kind: event.kind });
  if (row.owes) return refuse("refused.standFirst");
  const fell = felled(row.standing, event.fell);
  if (isRefusal(fell)) return fell;
  const go = { ...givenGo, felled: givenGo.felled + fell.n, sends: givenGo.sends + 1 };
  const sent = row.sent + 1;
  const cleared = fell.stand.left === 0;
  // A round ends as soon as nothing stands. As a team, the next player sends within it.
  if (!cleared && sent < params.sends)
    return {
      go: { ...go, row: { ...row, standing: fell.stand, sent } },
      after: givenGo.relay ? (fell.n > 0 ? "hit" : "miss") : "on",
    };
  const rounds = givenGo.rounds + 1;
  const spent = params.rounds !== null && (ownRounds ? rounds : row.rounds + 1) >= params.rounds;
  // A side is done once its own rounds are used up. The row goes on for the other.
  const next = { ...go, rounds, row: ended(params, row, cleared, spent && !(givenGo.shared && ownRounds)) };
  return { go: next, after: spent || next.row.over ? "end" : cleared ? "hit" : "miss" };
}

/** The row after a round in which it was cleared, or not. */
function ended(params: StackParams, row: Row, cleared: boolean, spent: boolean): Row {
  const rounds = row.rounds + 1;
  const next = { ...row, rounds, owes: true };
  if (!cleared) {
    const lost = row.n === 1 && params.firstEnds;
    return { ...next, ...fresh(Math.max(1, row.n - 1)), over: spent || lost };
  }
  const best = Math.max(row.best, row.n);
  if (row.n < params.full) return { ...next, ...fresh(row.n + 1), best, over: spent };
  if (params.after === "stop") return { ...next, best, over: true };
  return { ...next, ...fresh(1), laps: row.laps + 1, best: 0, over: spent };
}

/** The longest row that was cleared. Full rows before it count whole. */
const heightOf = (params: StackParams, { row }: StackGo) => row.laps * params.full + row.best;
const isFull = (params: StackParams, { row }: StackGo) => row.laps > 0 || row.best === params.full;

function sum(params: StackParams, go: StackGo, ms: number): Sum {
  const finished = isFull(params, go);
  const stage = go.row.laps > 0 ? params.full : go.row.best;
  const by = go.shared ? "felled" : params.score;
  const progress = {
    rounds: ["rounds", go.row.rounds],
    row: ["pins", heightOf(params, go)],
    felled: ["pins", go.felled],
    time: ["tenths", Math.round(ms / 100)],
  } as const;
  const [unit, value] = progress[by];
  const working =
    by === "row" && go.row.laps > 0
      ? `${Array(go.row.laps).fill(params.full).join(" + ")} + ${go.row.best} = ${value}`
      : "";
  return {
    value,
    ...raced(unit, { value, finished, stage }),
    working,
    sends: go.sends,
    stage,
    stages: params.full,
    finished,
  };
}

function now(params: StackParams, { row }: StackGo): Phrase {
  const back = row.laps > 0 ? Math.min(row.laps, LINES_BACK) + 1 : 0;
  if (row.owes) return { key: "stackUp.stand", params: { pins: row.n } };
  return {
    key: "stackUp.send",
    params: { left: row.standing.left, send: row.sent + 1, sends: params.sends, line: back },
  };
}

/** One go: a pin more after each round that clears the row, and one fewer after each that does not. */
export const stackGo: GoRules<StackParams, StackGo> = {
  begin: (params, { setup }) => ({
    row: { ...fresh(1), rounds: 0, laps: 0, best: 0, owes: false, over: false },
    felled: 0,
    sends: 0,
    rounds: 0,
    shared: shared(params, setup),
    relay: setup.mode === "relay",
  }),
  asks,
  step: (params, go, event) => step(params, go, event),
  clock: (params, match) =>
    match.seconds !== null || params.score === "time" ? { limit: match.seconds, rest: 0 } : null,
  sum,
  key: (params, { row, felled: fell, sends, rounds, shared: both }) => {
    const own = both ? ` ${fell} ${rounds}` : params.score === "felled" ? ` ${fell}` : "";
    return `${row.n} ${standingKey(row.standing)} ${row.sent} ${row.rounds} ${row.laps} ${row.best} ${row.owes ? 1 : 0} ${sends}${own}`;
  },
  counters: (params) => [
    { of: (go) => go.sends, put: (go, sends) => ({ ...go, sends }), feeds: ["sends"] },
    ...(params.score === "felled"
      ? [
          {
            of: (go: StackGo) => go.felled,
            put: (go: StackGo, felled: number) => ({ ...go, felled }),
            feeds: ["points"] as const,
          },
        ]
      : []),
    ...(params.rounds === null
      ? [
          {
            of: (go: StackGo) => go.row.rounds,
            put: (go: StackGo, rounds: number) => ({ ...go, rounds, row: { ...go.row, rounds } }),
            feeds: params.score === "rounds" ? (["points"] as const) : [],
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
export const stackGo1: GoRules<StackParams, StackGo> = {
  ...stackGo,
  step: (params, go, event) => step(params, go, event, false),
};

/** The score range for manual entry, see `Possible`. */
export function possible(params: StackParams, match: Match): Possible {
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  const times = (x: number | null) => (x === null ? null : x * kept);
  const stages = params.full;
  if (params.score === "rounds" || params.score === "time") {
    const most = times(params.score === "rounds" ? params.rounds : match.seconds === null ? null : match.seconds * 10);
    const least = params.score === "rounds" ? params.full * kept : 0;
    const unit = params.score === "rounds" ? "rounds" : "tenths";
    return { unit, better: "less", least: 0, most, values: null, finished: { least, most }, stages };
  }
  const again = params.after === "again";
  // Whole rows come first. What was felled of a row that was not cleared counts too.
  const most = (): number | null => {
    if (params.score === "row")
      return again
        ? params.rounds === null
          ? null
          : params.rounds
        : Math.min(params.full, params.rounds ?? params.full);
    if (params.rounds === null) return null;
    return params.rounds * params.full;
  };
  const top = times(most());
  return { unit: "pins", better: "more", least: 0, most: top, values: null, finished: { least: 0, most: top }, stages };
}
