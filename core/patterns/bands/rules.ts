import { type AimOf, type Ask, PLAIN } from "../../asks/ask.ts";
import {
  type BaseState,
  type Counters,
  type Ending,
  type Phrase,
  type Possible,
  type Progress,
  type Refusal,
  type Rules,
  refuse,
  type Score,
  type Setup,
  seenAt,
} from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import { asTheyPlay, headStartOf, whoPlays } from "../../contract/people.ts";
import type { GameEvent } from "../../events/events.ts";
import { cut, joins, leaves, renumbered, sideOf } from "../../match/company.ts";
import { endOf, mostOf, sumOf } from "../../match/end.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { MAX_ROUNDS } from "./limits.ts";
import type { BandsParams } from "./schema.ts";

interface Piece {
  player: number;
  side: number;
  zone: string;
}
/** A closed round, for the working of the score. */
interface Closed {
  /** The points lying in the bands, and what each side gained. */
  points: readonly number[];
  gained: readonly number[];
  before: readonly number[];
}
export interface BandsState extends BaseState {
  params: BandsParams;
  match: Match;
  /** Players of each side. */
  sides: readonly (readonly number[])[];
  totals: readonly number[];
  /** The points that lay in the bands, round by round, whether or not they counted. */
  earned: readonly number[];
  /** The pieces that each side has sent in the whole game. Its players take turns. */
  sent: readonly number[];
  round: number;
  lead: number;
  pieces: readonly Piece[];
  /** Whether it is decided if the next piece meets a blocker, and where that stands. Null: there is none. */
  decided: boolean;
  blocked: string | null;
  closed: Closed | null;
  carried: number;
  last: number;
  over: boolean;
}

function start(params: BandsParams, match: Match, setup: Setup): BandsState {
  const sides = sidesOf(params, setup);
  const zeros = sides.map(() => 0);
  return {
    setup,
    params,
    match,
    sides,
    totals: sides.map((side) => headStartOf(setup, side)),
    earned: zeros,
    sent: zeros,
    round: 1,
    lead: 0,
    pieces: [],
    decided: false,
    blocked: null,
    closed: null,
    carried: 0,
    last: 0,
    over: false,
  };
}

/**
 * As a team: one side. Head to head by difference with three or more: two sides of every other player. Otherwise each
 * alone.
 */
function sidesOf(params: BandsParams, setup: Setup): readonly (readonly number[])[] {
  const { mode, sides } = setup;
  if (sides) return sides;
  const all = whoPlays(setup);
  if (mode === "relay") return [all];
  if (mode === "against" && params.counting === "difference" && all.length > 2)
    return [all.filter((_, k) => k % 2 === 0), all.filter((_, k) => k % 2 === 1)];
  return all.map((i) => [i]);
}

const byDifference = (state: BandsState) =>
  state.params.counting === "difference" && state.setup.mode === "against" && state.sides.length === 2;
/** Every place where a piece can come to rest, and its worth, near to far. */
const zonesOf = memoizeByIdentity(
  (params: BandsParams) =>
    new Map([
      ["short", 0],
      ...params.points.map((points, i) => [`z${i + 1}`, points] as const),
      ["over", params.overshoot === "last" ? params.points[params.points.length - 1]! : 0],
    ]),
);
export const zoneIds = memoizeByIdentity((params: BandsParams) => [...zonesOf(params).keys()]);
export const pointsOf = (params: BandsParams, zone: string): number => zonesOf(params).get(zone)!;
/** What is aimed at if nothing limits the worth of a place. */
const aimOf = memoizeByIdentity(
  (params: BandsParams): AimOf<"zones"> => ({ kind: "zones", worth: Object.fromEntries(zonesOf(params)) }),
);
const full = (state: BandsState) => state.pieces.length === state.sides.length * state.params.pieces;
function sideToSend(state: BandsState): number {
  const i = state.pieces.length;
  return (state.lead + (state.params.order === "piece" ? i : Math.floor(i / state.params.pieces))) % state.sides.length;
}
const sentBy = (state: BandsState, side: number) => state.pieces.filter((piece) => piece.side === side).length;
function playerToSend(state: BandsState): { side: number; player: number } {
  const side = full(state) ? state.lead : sideToSend(state);
  const of = state.sides[side]!;
  return { side, player: of[state.sent[side]! % of.length]! };
}
const asksBlocker = (state: BandsState) =>
  state.params.blocker &&
  !state.decided &&
  !full(state) &&
  sentBy(state, sideToSend(state)) === state.params.pieces - 1;
const betweenRounds = (state: BandsState) => state.pieces.length === 0 && state.round > 1;

/** The time to collect, and to decide on a blocker, seconds. */
const SETTLE = 4;
const DECIDE = 5;

function asks(state: BandsState): Ask[] {
  if (state.over) return [];
  const zones = zoneIds(state.params);
  const { player } = playerToSend(state);
  const out: Ask[] = [];
  if (full(state)) {
    const walk = state.params.lines[state.params.lines.length - 1]!;
    out.push({ kind: "ready", player, takes: { by: state.sides.flat(), seconds: SETTLE, walk, moving: true } });
  } else if (asksBlocker(state)) {
    const takes = { by: [player], seconds: DECIDE, walk: 0, moving: false };
    out.push({ kind: "choose", player, of: "blocker", options: zones.filter((zone) => zone !== "over"), takes });
  } else
    out.push({
      kind: "send",
      player,
      from: "start",
      manner: PLAIN,
      aim: aimNow(state),
      fetch: false,
    });
  if (state.pieces.length > 0) {
    const takes = { by: [player], seconds: DECIDE, walk: 0, moving: false };
    out.push(
      {
        kind: "move",
        player,
        optional: true,
        get pieces() {
          return state.pieces.map((eachPiece, piece) => ({ piece, player: eachPiece.player, place: eachPiece.zone }));
        },
        places: zones,
      },
      { kind: "stand", player, optional: true, what: "marker", takes },
    );
  }
  if (state.match.carry && betweenRounds(state)) out.push({ kind: "carry", player, optional: true });
  return asTheyPlay(state.setup, out);
}

/** The worth of each place now: its points, but no more than an exact finish still needs. */
function aimNow(state: BandsState): AimOf<"zones"> {
  const params = state.params;
  if (!params.finish.exact || params.finish.total === null || byDifference(state)) return aimOf(params);
  const { side } = playerToSend(state);
  const need = params.finish.total - state.totals[side]! - lying(state)[side]!;
  const { worth } = aimOf(params);
  if (Object.values(worth).every((points) => points <= need)) return aimOf(params);
  return {
    kind: "zones",
    worth: Object.fromEntries(Object.entries(worth).map(([zone, points]) => [zone, points > need ? 0 : points])),
  };
}

function step(state: BandsState, event: GameEvent): BandsState | Refusal {
  if (state.over) return refuse("refused.over");
  if (event.at < state.last) return refuse("refused.earlier");
  const at = seenAt(state, event.at);
  switch (event.kind) {
    case "send": {
      if (event.rest === undefined) return refuse("refused.notInGame", { kind: event.kind });
      if (full(state)) return refuse("refused.roundFull");
      if (asksBlocker(state)) return refuse("refused.blockerFirst");
      if (!zonesOf(state.params).has(event.rest)) return refuse("refused.unknownZone", { zone: event.rest });
      const { side, player } = playerToSend(state);
      return {
        ...at,
        pieces: [...state.pieces, { player, side, zone: event.rest }],
        sent: state.sent.map((n, i) => (i === side ? n + 1 : n)),
        decided: false,
        blocked: null,
      };
    }
    case "move":
      if (event.piece >= state.pieces.length) return refuse("refused.noSuchPiece", { piece: event.piece + 1 });
      if (!zoneIds(state.params).includes(event.place)) return refuse("refused.unknownZone", { zone: event.place });
      return {
        ...at,
        pieces: state.pieces.map((piece, i) => (i === event.piece ? { ...piece, zone: event.place } : piece)),
      };
    case "choose":
      if (event.of !== "blocker") return refuse("refused.notInGame", { kind: event.kind });
      if (!asksBlocker(state)) return refuse(state.params.blocker ? "refused.blockerNotNow" : "refused.noBlocker");
      if (event.pick !== null && (event.pick === "over" || !zoneIds(state.params).includes(event.pick)))
        return refuse("refused.unknownZone", { zone: event.pick });
      return { ...at, decided: true, blocked: event.pick };
    case "stand":
      return state.pieces.length === 0 ? refuse("refused.nothingFell") : at;
    case "carry":
      if (!state.match.carry) return refuse("refused.noCarry");
      return betweenRounds(state) ? { ...at, carried: state.carried + 1 } : refuse("refused.carryBetween");
    case "ready":
      return full(state)
        ? close(at)
        : refuse("refused.roundOpen", { left: state.sides.length * state.params.pieces - state.pieces.length });
    default:
      return refuse("refused.notInGame", { kind: event.kind });
  }
}

const lying = (state: BandsState) =>
  state.sides.map((_, side) =>
    state.pieces.reduce((sum, piece) => (piece.side === side ? sum + pointsOf(state.params, piece.zone) : sum), 0),
  );

function gains(state: BandsState, points: readonly number[]): number[] {
  if (!byDifference(state)) return [...points];
  const [first, second] = points as [number, number];
  return [Math.max(0, first - second), Math.max(0, second - first)];
}

function added(params: BandsParams, total: number, gained: number): number {
  const sum = total + gained;
  if (params.finish.total === null || !params.finish.exact || sum <= params.finish.total) return sum;
  return params.finish.dropTo ?? total;
}

function close(state: BandsState): BandsState {
  const points = lying(state);
  const gained = gains(state, points);
  const totals = state.totals.map((total, i) => added(state.params, total, gained[i]!));
  const best = Math.max(...points);
  const worst = Math.min(...points);
  const one = (count: number) => points.filter((point) => point === count).length === 1;
  const lead = {
    alternate: (state.lead + 1) % state.sides.length,
    winner: one(best) ? points.indexOf(best) : state.lead,
    loser: one(worst) ? points.indexOf(worst) : state.lead,
    same: state.lead,
  }[state.params.lead];
  const after = {
    ...state,
    totals,
    earned: state.earned.map((e, i) => e + points[i]!),
    lead,
    pieces: [],
    closed: { points, gained, before: state.totals },
    round: state.round + 1,
    decided: false,
    blocked: null,
  };
  return { ...after, over: finished(after) };
}

const reached = (state: BandsState) =>
  state.params.finish.total !== null && state.totals.some((total) => total >= state.params.finish.total!);

function finished(state: BandsState): boolean {
  const played = state.round - 1;
  if (played >= MAX_ROUNDS) return true;
  const { finish, tie } = state.params;
  const ends = reached(state) || (finish.rounds !== null && played >= finish.rounds);
  if (!ends) return false;
  const level = state.setup.mode === "against" && mostOf(state.totals).length > 1;
  return !(level && tie === "extra" && !(finish.exact && reached(state)));
}

function score(state: BandsState): Score[] {
  const points = lying(state);
  return state.sides.map((players, i) => ({
    players,
    value: state.totals[i]!,
    soFar: state.totals[i]! + points[i]!,
    unit: "points",
    better: "more",
    working: working(state, i, points),
    rank: state.totals[i]!,
  }));
}

/** The current round as a sum or, if it has just closed, the last one: `9 - 5 = 4`, then `12 + 4 = 16`. */
function working(state: BandsState, side: number, points: readonly number[]): string {
  if (state.pieces.length > 0) {
    const own = state.pieces.filter((piece) => piece.side === side).map((piece) => pointsOf(state.params, piece.zone));
    return sumOf(own, points[side]!);
  }
  if (!state.closed) return "";
  const { points: lay, gained, before } = state.closed;
  const other = lay[1 - side];
  const parts: string[] = [];
  if (byDifference(state) && gained[side]! > 0) parts.push(`${lay[side]} - ${other} = ${gained[side]}`);
  const sum = before[side]! + gained[side]!;
  if (before[side]! > 0 && gained[side]! > 0) parts.push(`${before[side]} + ${gained[side]} = ${sum}`);
  if (sum !== state.totals[side]) parts.push(`${sum} > ${state.params.finish.total}: ${state.totals[side]}`);
  return parts.join("; ");
}

function ending(state: BandsState): Ending | null {
  if (!state.over) return null;
  const reason: Phrase = reached(state)
    ? { key: "bands.end.total", params: { total: state.params.finish.total! } }
    : { key: "bands.end.rounds", params: { rounds: state.round - 1 } };
  return endOf(state, reason, state.setup.mode === "against" && state.sides.length > 1 ? state.totals : null);
}

function turn(state: BandsState): { player: number; side: number; now: Phrase } {
  const at = playerToSend(state);
  if (state.over) return { ...at, now: { key: "play.over" } };
  if (full(state)) return { ...at, now: { key: "bands.settle" } };
  if (asksBlocker(state)) return { ...at, now: { key: "bands.block" } };
  const piece = sentBy(state, at.side) + 1;
  const left = state.params.pieces - piece + 1;
  return {
    ...at,
    now: {
      key: left === 1 ? "bands.last" : "bands.send",
      params: { piece, of: state.params.pieces, round: state.round },
    },
  };
}

function progress(state: BandsState): Progress[] {
  const played = state.round - 1;
  const { finish } = state.params;
  return state.sides.map((_, i) => ({
    sends: state.sent[i]!,
    rounds: played,
    points: state.totals[i]!,
    own: byDifference(state) ? state.earned[i]! : state.totals[i]! - headStartOf(state.setup, state.sides[i]!),
    stage: finish.total === null ? played : Math.min(state.totals[i]!, finish.total),
    stages: finish.total ?? finish.rounds!,
    finished: finish.total === null ? state.over : state.totals[i]! >= finish.total,
  }));
}

/**
 * By difference, a child's goes are compared by what lay in the bands, but the match is decided by what the rounds
 * gained.
 */
export const matchApart = (params: BandsParams, setup: Setup): boolean =>
  params.counting === "difference" && setup.mode === "against";

/** The score range for manual entry, see `Possible`. Alone, all points count. */
export function possible(params: BandsParams): Possible {
  const round = params.pieces * Math.max(...params.points);
  const { rounds, total, exact } = params.finish;
  const inRounds = (rounds ?? MAX_ROUNDS) * round;
  const most = total === null ? inRounds : Math.min(inRounds, exact ? total : total - 1 + round);
  return { unit: "points", better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages: 0 };
}

/**
 * Where pieces lie matters to the future only by their sum, since no outcome of the forecast moves one; and where nothing hangs
 * on a single round (an exact finish, a difference, who leads), only the sum with the total matters.
 */
function key(state: BandsState, totals = state.totals): string {
  const leads = state.sides.length > 1 && (state.params.lead === "winner" || state.params.lead === "loser");
  const perRound = state.params.finish.exact || byDifference(state) || (leads && state.sides.length > 2);
  const turnOf =
    state.sides.length > 1 || state.sides[0]!.length > 1 ? state.sent.map((n, i) => n % state.sides[i]!.length) : 0;
  const points = lying(state);
  // Of two the one with more of the round leads the next.
  const held = perRound
    ? [totals, points, byDifference(state) ? state.earned : 0]
    : [...totals.map((total, i) => total + points[i]!), leads ? points[0]! - points[1]! : 0];
  return JSON.stringify([held, state.pieces.length, state.round, state.lead, turnOf, state.decided, state.over]);
}

/**
 * To a total, without a number of rounds: how many there were is told, and decides nothing but at the very last. In extra rounds both have the
 * total, and only who is ahead counts.
 */
function counters(params: BandsParams): Counters<BandsState> | null {
  if (params.finish.rounds !== null) return null;
  const extra = (state: BandsState) =>
    state.sides.length === 2 && !params.finish.exact && reached(state) && !byDifference(state);
  return {
    // With what lies there, which equal states need not share out alike.
    of: (state) => [state.round, ...state.sent, ...lying(state).map((n, i) => n + state.totals[i]!)],
    put: (state, i, count) => {
      if (i === 0) return { ...state, round: count };
      const side = (i - 1) % state.sides.length;
      const with_ = (list: readonly number[]) => list.map((k, x) => (x === side ? count : k));
      return i <= state.sides.length
        ? { ...state, sent: with_(state.sent) }
        : { ...state, totals: state.totals.map((total, x) => (x === side ? count - lying(state)[x]! : total)) };
    },
    feeds: (figure, side, sides) => (figure === "rounds" ? 0 : 1 + side + (figure === "points" ? sides : 0)),
    key: (state) =>
      key({ ...state, round: 0 }, extra(state) ? state.sides.map(() => params.finish.total!) : state.totals),
    limit: { counter: 0, at: MAX_ROUNDS },
  };
}

/** A side that is empty is taken out with its pieces, where two others go on. */
function leave(state: BandsState, who: number): BandsState {
  const i = sideOf(state, who);
  const next = leaves(state, who, state.sent[i]!);
  const count = state.sides.length;
  if (!next.out || count < 3) return next;
  const of = (side: number) => renumbered(side, i, count);
  const { closed } = state;
  return {
    ...state,
    sides: cut(state.sides, i),
    totals: cut(state.totals, i),
    earned: cut(state.earned, i),
    sent: cut(state.sent, i),
    lead: of(state.lead),
    pieces: state.pieces.filter((piece) => piece.side !== i).map((piece) => ({ ...piece, side: of(piece.side) })),
    decided: false,
    blocked: null,
    closed: closed && {
      points: cut(closed.points, i),
      gained: cut(closed.gained, i),
      before: cut(closed.before, i),
    },
  };
}
/** Between rounds; as a side of its own only where each plays for itself and all points count. */
function join(state: BandsState, who: number, side: number | null): BandsState | null {
  if (state.over || state.pieces.length > 0 || state.decided) return null;
  if (side !== null) return joins(state, who, side, state.sent[side]!);
  if (state.setup.mode === "relay" || state.sides.some((eachSide) => eachSide.length > 1) || byDifference(state))
    return null;
  const more = (list: readonly number[]) => [...list, 0];
  const { closed } = state;
  return {
    ...state,
    sides: [...state.sides, [who]],
    totals: more(state.totals),
    earned: more(state.earned),
    sent: more(state.sent),
    closed: closed && { points: more(closed.points), gained: more(closed.gained), before: more(closed.before) },
  };
}

export const bandsRules: Rules<BandsParams, BandsState> = {
  start,
  asks,
  step,
  due: () => null,
  clock: () => "none",
  // A total that somebody reaches, an extra round and who leads are everybody's.
  sidesMeet: () => true,
  key,
  counters,
  turn,
  done: () => [],
  score,
  ending,
  progress,
  leave,
  join,
};
