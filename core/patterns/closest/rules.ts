import { type AimOf, type Ask, PLAIN } from "../../asks/ask.ts";
import {
  type BaseState,
  type Ending,
  MAX_PLAYERS,
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
import { endOf, sumOfMany } from "../../match/end.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { MAX_ROUNDS } from "./limits.ts";
import type { ClosestParams } from "./schema.ts";

interface Piece {
  side: number;
  player: number;
  /** The distance from the jack to its middle, millimetres. Null: unknown since the jack was moved. */
  away: number | null;
  /** It was measured and not only drawn. */
  measured: boolean;
  /** Where it was drawn, relative to the jack, millimetres. */
  spot: { along: number; across: number } | null;
  dead: boolean;
}
export interface ClosestState extends BaseState {
  params: ClosestParams;
  match: Match;
  sides: readonly (readonly number[])[];
  totals: readonly number[];
  /** What the mark has won, if one side plays alone. */
  marked: number;
  sent: readonly number[];
  /** The rounds that were counted, including void ones and ones that nobody won. */
  round: number;
  lead: number;
  phase: "jack" | "place" | "pieces";
  fails: number;
  pieces: readonly Piece[];
  /** The side that sent last. */
  from: number;
  /** What each side won, round by round. */
  won: readonly (readonly number[])[];
  carried: number;
  last: number;
  over: boolean;
}

/** The time to place a jack, and the time to see who is nearest and fetch everything, seconds. */
const PLACE = 4;
const SETTLE = 6;
/** Two pieces this close cannot be told apart by looking, millimetres. */
export const NEAR_TIE = 60;

function start(params: ClosestParams, match: Match, setup: Setup): ClosestState {
  const all = whoPlays(setup);
  const sides = setup.sides ?? (setup.mode === "against" ? all.map((i) => [i]) : [all]);
  const zeros = sides.map(() => 0);
  return {
    setup,
    params,
    match,
    sides,
    totals: sides.map((side) => headStartOf(setup, side)),
    marked: 0,
    sent: zeros,
    round: 0,
    lead: 0,
    phase: params.jack === "sent" ? "jack" : "pieces",
    fails: 0,
    pieces: [],
    from: 0,
    won: sides.map(() => []),
    carried: 0,
    last: 0,
    over: false,
  };
}

const full = (state: ClosestState) => state.pieces.length === state.sides.length * state.params.pieces;
const ofSide = (state: ClosestState, side: number) => state.pieces.filter((piece) => piece.side === side);
const sentBy = (state: ClosestState, side: number): number => {
  let count = 0;
  for (const piece of state.pieces) if (piece.side === side) count++;
  return count;
};
const lives = (piece: Piece) => !piece.dead;
/** The nearest piece of a side. A side without one, or with an unknown one, counts as farthest. */
const bestOf = (state: ClosestState, side: number): number => {
  let best = Number.POSITIVE_INFINITY;
  for (const piece of state.pieces)
    if (piece.side === side && lives(piece) && piece.away !== null && piece.away < best) best = piece.away;
  return best;
};

function sideToSend(state: ClosestState): number {
  const count = state.sides.length;
  if (state.phase !== "pieces" || full(state)) return state.lead;
  if (state.params.order === "turn") return (state.lead + state.pieces.length) % count;
  if (state.pieces.length === 0) return state.lead;
  // Goes round from the side after the last one. Of the sides with pieces left, the one that lies farthest is next.
  let farthest = state.lead;
  let best = Number.NEGATIVE_INFINITY;
  for (let k = 1; k <= count; k++) {
    const side = (state.from + k) % count;
    if (sentBy(state, side) >= state.params.pieces) continue;
    const lies = bestOf(state, side);
    if (lies > best) [farthest, best] = [side, lies];
  }
  return farthest;
}
const playerOf = (state: ClosestState, side: number) =>
  state.sides[side]![state.sent[side]! % state.sides[side]!.length]!;
/** Who places a jack that was sent twice in vain: the other side. */
const placer = (state: ClosestState) => (state.lead + 1) % state.sides.length;
const toAct = (state: ClosestState) => (state.phase === "place" ? placer(state) : sideToSend(state));

const JACK: AimOf<"jack"> = { kind: "jack" };
/**
 * What each player is asked to send, by how many pieces lie there already. Made once, because it is asked for again
 * and again.
 */
const sendsOf = memoizeByIdentity((setup: Setup) =>
  memoizeByIdentity((field: ClosestParams) => {
    const of = (player: number, aim: AimOf<"jack" | "near">): Ask =>
      asTheyPlay(setup, [{ kind: "send", player, from: "start", manner: PLAIN, aim, fetch: false }])[0]!;
    return Array.from({ length: setup.players }, (_, player) => ({
      jack: of(player, JACK),
      pieces: Array.from({ length: MAX_PLAYERS * field.pieces }, (_, turn) =>
        of(player, { kind: "near", turn, past: field.dead ? field.far : null }),
      ),
    }));
  }),
);

function asks(state: ClosestState): Ask[] {
  if (state.over) return [];
  const { params: field } = state;
  const side = toAct(state);
  const player = playerOf(state, side);
  const walk = (field.near + field.far) / 2;
  const out: Ask[] = [];
  if (state.phase === "jack") {
    out.push(sendsOf(state.setup)(field)[player]!.jack);
  } else if (state.phase === "place") {
    const takes = { by: [player], seconds: PLACE, walk, moving: true };
    out.push({ kind: "stand", player, what: "jack", takes });
  } else if (full(state)) {
    const takes = { by: state.sides.flat(), seconds: SETTLE, walk, moving: true };
    out.push({ kind: "ready", player, takes });
  } else {
    out.push(sendsOf(state.setup)(field)[player]!.pieces[state.pieces.length]!);
  }
  if (state.pieces.length > 0)
    out.push({
      kind: "measure",
      player,
      optional: true,
      pieces: state.pieces,
      near: NEAR_TIE,
      mark: state.sides.length === 1 ? Math.round(field.mark * 1000) : null,
      moves: field.struck === "stays",
    });
  if (state.match.carry && state.pieces.length === 0 && state.phase !== "place" && state.round > 0)
    out.push({ kind: "carry", player, optional: true });
  return out;
}

/** Until version 2 a void round counted as a round, and the loser was the side after the winner. */
interface Before {
  voidCounts: boolean;
  nextLeads: boolean;
}
const BEFORE: Before = { voidCounts: true, nextLeads: true };

function step(state: ClosestState, event: GameEvent, before?: Before): ClosestState | Refusal {
  if (state.over) return refuse("refused.over");
  if (event.at < state.last) return refuse("refused.earlier");
  const at = seenAt(state, event.at);
  switch (event.kind) {
    case "send":
      return sent(at, event);
    case "stand":
      return state.phase === "place" ? { ...at, phase: "pieces" } : refuse("refused.jackLies");
    case "measure": {
      const piece = state.pieces[event.piece - 1];
      if (!piece || piece.dead) return refuse("refused.noSuchPiece", { piece: event.piece });
      return withPiece(at, event.piece - 1, { ...piece, away: event.away, measured: true });
    }
    case "move":
      return moved(at, event, before);
    case "ready":
      if (state.phase !== "pieces" || !full(state))
        return refuse("refused.roundOpen", { left: state.sides.length * state.params.pieces - state.pieces.length });
      if (state.pieces.some((piece) => lives(piece) && piece.away === null)) return refuse("refused.measureFirst");
      return close(at, before);
    case "carry":
      if (!state.match.carry) return refuse("refused.noCarry");
      return state.pieces.length === 0 && state.phase !== "place" && state.round > 0
        ? { ...at, carried: state.carried + 1 }
        : refuse("refused.carryBetween");
    default:
      return refuse("refused.notInGame", { kind: event.kind });
  }
}

const withPiece = (state: ClosestState, i: number, piece: Piece): ClosestState => ({
  ...state,
  pieces: state.pieces.map((eachPiece, k) => (k === i ? piece : eachPiece)),
});
type SendEvent = Extract<GameEvent, { kind: "send" }>;
/** The reported or drawn distance. Null if there was neither. Whole millimetres. */
const awayOf = (e: Pick<SendEvent, "away" | "spot">): number | null =>
  e.away ?? (e.spot ? Math.round(Math.hypot(e.spot.along, e.spot.across)) : null);

function sent(state: ClosestState, event: SendEvent): ClosestState | Refusal {
  const { params: field } = state;
  if (event.rest === undefined) return refuse("refused.notInGame", { kind: event.kind });
  if (state.phase === "place") return refuse("refused.jackFirst");
  if (state.phase === "jack") {
    if (event.rest === "in") return { ...state, phase: "pieces", fails: 0 };
    if (event.rest !== "short" && event.rest !== "over") return refuse("refused.unknownZone", { zone: event.rest });
    const fails = state.fails + 1;
    return fails < 2 ? { ...state, fails } : { ...state, fails: 0, phase: "place" };
  }
  if (full(state)) return refuse("refused.roundFull");
  const dead = event.rest === "over";
  if (dead && !field.dead) return refuse("refused.noDead");
  if (!dead && event.rest !== "in") return refuse("refused.unknownZone", { zone: event.rest });
  const away = awayOf(event);
  if (!dead && away === null) return refuse("refused.saysWhere");
  const side = sideToSend(state);
  const piece: Piece = {
    side,
    player: playerOf(state, side),
    away: dead ? null : away,
    measured: false,
    spot: event.spot ?? null,
    dead,
  };
  return {
    ...state,
    pieces: [...state.pieces, piece],
    from: side,
    sent: state.sent.map((n, i) => (i === side ? n + 1 : n)),
  };
}

/** Piece 0 is the jack. */
function moved(state: ClosestState, e: Extract<GameEvent, { kind: "move" }>, before?: Before): ClosestState | Refusal {
  if (state.phase !== "pieces" || state.pieces.length === 0) return refuse("refused.nothingFell");
  if (e.piece === 0) {
    if (state.params.struck === "back") return refuse("refused.jackBack");
    // If the jack is out of its limits the round is void and does not count, and the same side leads again.
    if (e.place === "out") {
      const none = state.sides.map(() => 0);
      return before?.voidCounts ? opened({ ...state, round: state.round + 1 }, state.lead, none, 0) : fresh(state);
    }
    if (e.place !== "in") return refuse("refused.unknownZone", { zone: e.place });
    return {
      ...state,
      pieces: state.pieces.map((eachPiece) => ({ ...eachPiece, away: null, spot: null, measured: false })),
    };
  }
  const piece = state.pieces[e.piece - 1];
  if (!piece) return refuse("refused.noSuchPiece", { piece: e.piece });
  if (e.place === "over")
    return state.params.dead
      ? withPiece(state, e.piece - 1, { ...piece, dead: true, away: null, spot: null, measured: false })
      : refuse("refused.noDead");
  if (e.place !== "in") return refuse("refused.unknownZone", { zone: e.place });
  if (!e.spot) return refuse("refused.saysWhere");
  const there = { ...piece, dead: false, spot: e.spot, away: awayOf(e), measured: false };
  return withPiece(state, e.piece - 1, there);
}

/**
 * What each side, and the mark, would win now: one for each piece nearer than the best of all the others. Level is
 * not nearer.
 */
export function gains(state: ClosestState): { sides: number[]; mark: number } {
  const one = state.sides.length === 1;
  const mark = one ? Math.round(state.params.mark * 1000) : Number.POSITIVE_INFINITY;
  const sides = state.sides.map((_, i) => {
    let others = mark;
    for (let k = 0; k < state.sides.length; k++) if (k !== i) others = Math.min(others, bestOf(state, k));
    let count = 0;
    for (const piece of state.pieces)
      if (piece.side === i && lives(piece) && piece.away !== null && piece.away < others) count++;
    return count;
  });
  return { sides, mark: one && bestOf(state, 0) > mark ? 1 : 0 };
}

function close(state: ClosestState, before?: Before): ClosestState {
  const won = gains(state);
  const winner = won.sides.findIndex((side) => side > 0);
  const count = state.sides.length;
  // With more than two sides, the loser is the side that lies farthest. If several do, the first in order.
  const loser = Array.from({ length: before?.nextLeads ? 0 : count - 1 }, (_, k) => (winner + 1 + k) % count).reduce(
    (a, b) => (bestOf(state, b) > bestOf(state, a) ? b : a),
    (winner + 1) % count,
  );
  const lead =
    state.params.leads === "alternate"
      ? (state.lead + 1) % count
      : winner < 0
        ? state.lead
        : state.params.leads === "winner"
          ? winner
          : loser;
  return opened({ ...state, round: state.round + 1 }, lead, won.sides, won.mark);
}

/** The floor is cleared, and the jack is sent again. */
const fresh = (state: ClosestState): ClosestState => ({
  ...state,
  pieces: [],
  fails: 0,
  phase: state.params.jack === "sent" ? "jack" : "pieces",
});
/** The next round, or the end. */
function opened(state: ClosestState, lead: number, won: readonly number[], mark: number): ClosestState {
  const totals = state.totals.map((total, i) => total + won[i]!);
  const marked = state.marked + mark;
  const { points, rounds } = state.params.finish;
  const reached = points !== null && (totals.some((total) => total >= points) || marked >= points);
  return {
    ...fresh(state),
    totals,
    marked,
    lead,
    won: state.won.map((list, i) => [...list, won[i]!]),
    over: reached || state.round >= (rounds ?? MAX_ROUNDS),
  };
}

function score(state: ClosestState): Score[] {
  const now = gains(state).sides;
  return state.sides.map((players, i) => {
    const head = headStartOf(state.setup, players);
    const list = [...(head > 0 ? [head] : []), ...state.won[i]!.filter((n) => n > 0)];
    return {
      players,
      value: state.totals[i]!,
      soFar: state.totals[i]! + now[i]!,
      unit: "points",
      better: "more",
      working: sumOfMany(list, state.totals[i]!),
      rank: state.totals[i]!,
    };
  });
}

function ending(state: ClosestState): Ending | null {
  if (!state.over) return null;
  const { points } = state.params.finish;
  const won = points !== null && state.totals.some((total) => total >= points);
  const lost = points !== null && state.marked >= points;
  const reason: Phrase = won
    ? { key: "closest.end.points", params: { points } }
    : lost
      ? { key: "closest.end.mark", params: { points } }
      : { key: "closest.end.rounds", params: { rounds: state.round } };
  return endOf(state, reason, state.setup.mode === "against" && state.sides.length > 1 ? state.totals : null);
}

function turn(state: ClosestState): { player: number; side: number; now: Phrase } {
  const side = toAct(state);
  const at = { side, player: playerOf(state, side) };
  if (state.over) return { ...at, now: { key: "play.over" } };
  if (state.phase === "jack") return { ...at, now: { key: "closest.jack" } };
  if (state.phase === "place") return { ...at, now: { key: "closest.place" } };
  if (full(state)) return { ...at, now: { key: "closest.count" } };
  const piece = sentBy(state, side) + 1;
  return { ...at, now: { key: "closest.send", params: { piece, of: state.params.pieces } } };
}

function progress(state: ClosestState): Progress[] {
  const { points, rounds } = state.params.finish;
  return state.sides.map((_, i) => ({
    sends: state.sent[i]!,
    rounds: state.round,
    points: state.totals[i]!,
    own: state.totals[i]! - headStartOf(state.setup, state.sides[i]!),
    stage: points === null ? state.round : Math.min(state.totals[i]!, points),
    stages: points ?? rounds!,
    finished: points === null ? state.over : state.totals[i]! >= points,
  }));
}

/** What lies there matters only by its distance, side by side. */
function key(state: ClosestState): string {
  const lie = state.sides.map((_, i) =>
    ofSide(state, i)
      .map((piece) => (piece.dead ? "x" : piece.away))
      .sort(),
  );
  const turns = state.sent.map((n, i) => n % state.sides[i]!.length);
  return JSON.stringify([
    state.totals,
    state.marked,
    state.round,
    state.lead,
    state.phase,
    state.fails,
    lie,
    state.from,
    turns,
    state.over,
  ]);
}

/** A side without players is taken out with its pieces, if two others go on. */
function leave(state: ClosestState, who: number): ClosestState {
  const i = sideOf(state, who);
  const next = leaves(state, who, state.sent[i]!);
  const count = state.sides.length;
  if (!next.out || count < 3) return next;
  const of = (side: number) => renumbered(side, i, count);
  return {
    ...state,
    sides: cut(state.sides, i),
    totals: cut(state.totals, i),
    sent: cut(state.sent, i),
    won: cut(state.won, i),
    lead: of(state.lead),
    // Goes round from the side after the last one.
    from: state.from === i ? (i + count - 1) % (count - 1) : of(state.from),
    pieces: state.pieces.filter((piece) => piece.side !== i).map((piece) => ({ ...piece, side: of(piece.side) })),
    fails: state.lead === i ? 0 : state.fails,
    phase: state.lead === i && state.phase === "place" ? "jack" : state.phase,
  };
}
/** Between rounds. As a new side only if everybody plays for themselves. */
function join(state: ClosestState, who: number, side: number | null): ClosestState | null {
  if (state.over || state.pieces.length > 0 || state.phase === "place" || state.fails > 0) return null;
  if (side !== null) return joins(state, who, side, state.sent[side]!);
  if (state.setup.mode !== "against" || state.sides.some((eachSide) => eachSide.length > 1)) return null;
  const won = [...state.won, state.won[0]!.map(() => 0)];
  return { ...state, sides: [...state.sides, [who]], totals: [...state.totals, 0], sent: [...state.sent, 0], won };
}

/** Rounds around a jack. Whoever lies nearest scores one for each piece nearer than the best of the others. */
export const closestRules: Rules<ClosestParams, ClosestState> = {
  start,
  asks,
  step: (state, event) => step(state, event),
  due: () => null,
  clock: () => "none",
  sidesMeet: () => true,
  key,
  turn,
  done: () => [],
  score,
  ending,
  progress,
  leave,
  join,
};

export const closestRules1: Rules<ClosestParams, ClosestState> = {
  ...closestRules,
  step: (state, event) => step(state, event, BEFORE),
};

/** The score range for manual entry, see `Possible`. Alone, against the mark. */
export function possible(field: ClosestParams): Possible {
  const { points, rounds } = field.finish;
  const inRounds = (rounds ?? MAX_ROUNDS) * field.pieces;
  const most = points === null ? inRounds : Math.min(inRounds, points - 1 + field.pieces);
  const stages = points ?? rounds!;
  return { unit: "points", better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages };
}
