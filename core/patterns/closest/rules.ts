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
import { type ClosestParams, MAX_ROUNDS } from "./params.ts";

interface Piece {
  side: number;
  player: number;
  /** From the jack to its middle, millimetres; null: not known since the jack was moved. */
  away: number | null;
  /** It was measured, and not only drawn. */
  measured: boolean;
  /** Where it was drawn, from the jack, millimetres. */
  spot: { along: number; across: number } | null;
  dead: boolean;
}
export interface ClosestState extends BaseState {
  params: ClosestParams;
  match: Match;
  sides: readonly (readonly number[])[];
  totals: readonly number[];
  /** What the mark has won, where one side plays alone. */
  marked: number;
  sent: readonly number[];
  /** Rounds that were counted, won by nobody and void ones too. */
  round: number;
  lead: number;
  phase: "jack" | "place" | "pieces";
  fails: number;
  pieces: readonly Piece[];
  /** Side that sent last. */
  from: number;
  /** What each side won round by round. */
  won: readonly (readonly number[])[];
  carried: number;
  last: number;
  over: boolean;
}

/** Placing a jack, and seeing who is nearest and fetching all. Seconds. */
const PLACE = 4;
const SETTLE = 6;
/** So near that a look does not tell, millimetres. */
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
    totals: sides.map((x) => headStartOf(setup, x)),
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

const full = (s: ClosestState) => s.pieces.length === s.sides.length * s.params.pieces;
const ofSide = (s: ClosestState, side: number) => s.pieces.filter((p) => p.side === side);
const sentBy = (s: ClosestState, side: number): number => {
  let n = 0;
  for (const p of s.pieces) if (p.side === side) n++;
  return n;
};
const lives = (p: Piece) => !p.dead;
/** The nearest of a side; none, or not known, is farthest. */
const bestOf = (s: ClosestState, side: number): number => {
  let best = Number.POSITIVE_INFINITY;
  for (const p of s.pieces) if (p.side === side && lives(p) && p.away !== null && p.away < best) best = p.away;
  return best;
};

function sideToSend(s: ClosestState): number {
  const n = s.sides.length;
  if (s.phase !== "pieces" || full(s)) return s.lead;
  if (s.params.order === "turn") return (s.lead + s.pieces.length) % n;
  if (s.pieces.length === 0) return s.lead;
  // In turn from whoever comes after the last one; of those with pieces left the one that lies farthest.
  let farthest = s.lead;
  let best = Number.NEGATIVE_INFINITY;
  for (let k = 1; k <= n; k++) {
    const side = (s.from + k) % n;
    if (sentBy(s, side) >= s.params.pieces) continue;
    const lies = bestOf(s, side);
    if (lies > best) [farthest, best] = [side, lies];
  }
  return farthest;
}
const playerOf = (s: ClosestState, side: number) => s.sides[side]![s.sent[side]! % s.sides[side]!.length]!;
/** Who places a jack that was sent twice in vain: the other side. */
const placer = (s: ClosestState) => (s.lead + 1) % s.sides.length;
const toAct = (s: ClosestState) => (s.phase === "place" ? placer(s) : sideToSend(s));

const JACK: AimOf<"jack"> = { kind: "jack" };
/** What each player is asked to send, by how many pieces lie already: made once, since it is asked again and again. */
const sendsOf = memoizeByIdentity((setup: Setup) =>
  memoizeByIdentity((p: ClosestParams) => {
    const of = (player: number, aim: AimOf<"jack" | "near">): Ask =>
      asTheyPlay(setup, [{ kind: "send", player, from: "start", manner: PLAIN, aim, fetch: false }])[0]!;
    return Array.from({ length: setup.players }, (_, player) => ({
      jack: of(player, JACK),
      pieces: Array.from({ length: MAX_PLAYERS * p.pieces }, (_, turn) =>
        of(player, { kind: "near", turn, past: p.dead ? p.far : null }),
      ),
    }));
  }),
);

function asks(s: ClosestState): Ask[] {
  if (s.over) return [];
  const { params: p } = s;
  const side = toAct(s);
  const player = playerOf(s, side);
  const walk = (p.near + p.far) / 2;
  const out: Ask[] = [];
  if (s.phase === "jack") {
    out.push(sendsOf(s.setup)(p)[player]!.jack);
  } else if (s.phase === "place") {
    const takes = { by: [player], seconds: PLACE, walk, moving: true };
    out.push({ kind: "stand", player, what: "jack", takes });
  } else if (full(s)) {
    const takes = { by: s.sides.flat(), seconds: SETTLE, walk, moving: true };
    out.push({ kind: "ready", player, takes });
  } else {
    out.push(sendsOf(s.setup)(p)[player]!.pieces[s.pieces.length]!);
  }
  if (s.pieces.length > 0)
    out.push({
      kind: "measure",
      player,
      optional: true,
      pieces: s.pieces,
      near: NEAR_TIE,
      mark: s.sides.length === 1 ? Math.round(p.mark * 1000) : null,
      moves: p.struck === "stays",
    });
  if (s.match.carry && s.pieces.length === 0 && s.phase !== "place" && s.round > 0)
    out.push({ kind: "carry", player, optional: true });
  return out;
}

/** Until version 2 a void round was one of the rounds, and the loser was whoever came after the winner. */
interface Before {
  voidCounts: boolean;
  nextLeads: boolean;
}
const BEFORE: Before = { voidCounts: true, nextLeads: true };

function step(s: ClosestState, e: GameEvent, before?: Before): ClosestState | Refusal {
  if (s.over) return refuse("refused.over");
  if (e.at < s.last) return refuse("refused.earlier");
  const at = seenAt(s, e.at);
  switch (e.kind) {
    case "send":
      return sent(at, e);
    case "stand":
      return s.phase === "place" ? { ...at, phase: "pieces" } : refuse("refused.jackLies");
    case "measure": {
      const piece = s.pieces[e.piece - 1];
      if (!piece || piece.dead) return refuse("refused.noSuchPiece", { piece: e.piece });
      return withPiece(at, e.piece - 1, { ...piece, away: e.away, measured: true });
    }
    case "move":
      return moved(at, e, before);
    case "ready":
      if (s.phase !== "pieces" || !full(s))
        return refuse("refused.roundOpen", { left: s.sides.length * s.params.pieces - s.pieces.length });
      if (s.pieces.some((x) => lives(x) && x.away === null)) return refuse("refused.measureFirst");
      return close(at, before);
    case "carry":
      if (!s.match.carry) return refuse("refused.noCarry");
      return s.pieces.length === 0 && s.phase !== "place" && s.round > 0
        ? { ...at, carried: s.carried + 1 }
        : refuse("refused.carryBetween");
    default:
      return refuse("refused.notInGame", { kind: e.kind });
  }
}

const withPiece = (s: ClosestState, i: number, piece: Piece): ClosestState => ({
  ...s,
  pieces: s.pieces.map((p, k) => (k === i ? piece : p)),
});
type SendEvent = Extract<GameEvent, { kind: "send" }>;
/** How far away it was told, or drawn, to lie; null where neither was. Whole millimetres. */
const awayOf = (e: Pick<SendEvent, "away" | "spot">): number | null =>
  e.away ?? (e.spot ? Math.round(Math.hypot(e.spot.along, e.spot.across)) : null);

function sent(s: ClosestState, e: SendEvent): ClosestState | Refusal {
  const { params: p } = s;
  if (e.rest === undefined) return refuse("refused.notInGame", { kind: e.kind });
  if (s.phase === "place") return refuse("refused.jackFirst");
  if (s.phase === "jack") {
    if (e.rest === "in") return { ...s, phase: "pieces", fails: 0 };
    if (e.rest !== "short" && e.rest !== "over") return refuse("refused.unknownZone", { zone: e.rest });
    const fails = s.fails + 1;
    return fails < 2 ? { ...s, fails } : { ...s, fails: 0, phase: "place" };
  }
  if (full(s)) return refuse("refused.roundFull");
  const dead = e.rest === "over";
  if (dead && !p.dead) return refuse("refused.noDead");
  if (!dead && e.rest !== "in") return refuse("refused.unknownZone", { zone: e.rest });
  const away = awayOf(e);
  if (!dead && away === null) return refuse("refused.saysWhere");
  const side = sideToSend(s);
  const piece: Piece = {
    side,
    player: playerOf(s, side),
    away: dead ? null : away,
    measured: false,
    spot: e.spot ?? null,
    dead,
  };
  return {
    ...s,
    pieces: [...s.pieces, piece],
    from: side,
    sent: s.sent.map((n, i) => (i === side ? n + 1 : n)),
  };
}

/** Piece 0 is the jack. */
function moved(s: ClosestState, e: Extract<GameEvent, { kind: "move" }>, before?: Before): ClosestState | Refusal {
  if (s.phase !== "pieces" || s.pieces.length === 0) return refuse("refused.nothingFell");
  if (e.piece === 0) {
    if (s.params.struck === "back") return refuse("refused.jackBack");
    // Out of its limits the round is void, and the same side leads again: it is no round.
    if (e.place === "out") {
      const none = s.sides.map(() => 0);
      return before?.voidCounts ? opened({ ...s, round: s.round + 1 }, s.lead, none, 0) : fresh(s);
    }
    if (e.place !== "in") return refuse("refused.unknownZone", { zone: e.place });
    return { ...s, pieces: s.pieces.map((p) => ({ ...p, away: null, spot: null, measured: false })) };
  }
  const piece = s.pieces[e.piece - 1];
  if (!piece) return refuse("refused.noSuchPiece", { piece: e.piece });
  if (e.place === "over")
    return s.params.dead
      ? withPiece(s, e.piece - 1, { ...piece, dead: true, away: null, spot: null, measured: false })
      : refuse("refused.noDead");
  if (e.place !== "in") return refuse("refused.unknownZone", { zone: e.place });
  if (!e.spot) return refuse("refused.saysWhere");
  const there = { ...piece, dead: false, spot: e.spot, away: awayOf(e), measured: false };
  return withPiece(s, e.piece - 1, there);
}

/** What each side would win now, and the mark: one for each piece nearer than the best of all others; level with it is not nearer. */
export function gains(s: ClosestState): { sides: number[]; mark: number } {
  const one = s.sides.length === 1;
  const mark = one ? Math.round(s.params.mark * 1000) : Number.POSITIVE_INFINITY;
  const sides = s.sides.map((_, i) => {
    let others = mark;
    for (let k = 0; k < s.sides.length; k++) if (k !== i) others = Math.min(others, bestOf(s, k));
    let n = 0;
    for (const p of s.pieces) if (p.side === i && lives(p) && p.away !== null && p.away < others) n++;
    return n;
  });
  return { sides, mark: one && bestOf(s, 0) > mark ? 1 : 0 };
}

function close(s: ClosestState, before?: Before): ClosestState {
  const won = gains(s);
  const winner = won.sides.findIndex((n) => n > 0);
  const n = s.sides.length;
  // Of more than two the loser is the side that lies farthest, in turn where several do.
  const loser = Array.from({ length: before?.nextLeads ? 0 : n - 1 }, (_, k) => (winner + 1 + k) % n).reduce(
    (a, b) => (bestOf(s, b) > bestOf(s, a) ? b : a),
    (winner + 1) % n,
  );
  const lead =
    s.params.leads === "alternate"
      ? (s.lead + 1) % n
      : winner < 0
        ? s.lead
        : s.params.leads === "winner"
          ? winner
          : loser;
  return opened({ ...s, round: s.round + 1 }, lead, won.sides, won.mark);
}

/** The floor is cleared, and the jack sent again where it is. */
const fresh = (s: ClosestState): ClosestState => ({
  ...s,
  pieces: [],
  fails: 0,
  phase: s.params.jack === "sent" ? "jack" : "pieces",
});
/** The next round, or the end. */
function opened(s: ClosestState, lead: number, won: readonly number[], mark: number): ClosestState {
  const totals = s.totals.map((t, i) => t + won[i]!);
  const marked = s.marked + mark;
  const { points, rounds } = s.params.finish;
  const reached = points !== null && (totals.some((t) => t >= points) || marked >= points);
  return {
    ...fresh(s),
    totals,
    marked,
    lead,
    won: s.won.map((list, i) => [...list, won[i]!]),
    over: reached || s.round >= (rounds ?? MAX_ROUNDS),
  };
}

function score(s: ClosestState): Score[] {
  const now = gains(s).sides;
  return s.sides.map((players, i) => {
    const head = headStartOf(s.setup, players);
    const list = [...(head > 0 ? [head] : []), ...s.won[i]!.filter((n) => n > 0)];
    return {
      players,
      value: s.totals[i]!,
      soFar: s.totals[i]! + now[i]!,
      unit: "points",
      better: "more",
      working: sumOfMany(list, s.totals[i]!),
      rank: s.totals[i]!,
    };
  });
}

function ending(s: ClosestState): Ending | null {
  if (!s.over) return null;
  const { points } = s.params.finish;
  const won = points !== null && s.totals.some((t) => t >= points);
  const lost = points !== null && s.marked >= points;
  const reason: Phrase = won
    ? { key: "closest.end.points", params: { points } }
    : lost
      ? { key: "closest.end.mark", params: { points } }
      : { key: "closest.end.rounds", params: { rounds: s.round } };
  return endOf(s, reason, s.setup.mode === "against" && s.sides.length > 1 ? s.totals : null);
}

function turn(s: ClosestState): { player: number; side: number; now: Phrase } {
  const side = toAct(s);
  const at = { side, player: playerOf(s, side) };
  if (s.over) return { ...at, now: { key: "play.over" } };
  if (s.phase === "jack") return { ...at, now: { key: "closest.jack" } };
  if (s.phase === "place") return { ...at, now: { key: "closest.place" } };
  if (full(s)) return { ...at, now: { key: "closest.count" } };
  const piece = sentBy(s, side) + 1;
  return { ...at, now: { key: "closest.send", params: { piece, of: s.params.pieces } } };
}

function progress(s: ClosestState): Progress[] {
  const { points, rounds } = s.params.finish;
  return s.sides.map((_, i) => ({
    sends: s.sent[i]!,
    rounds: s.round,
    points: s.totals[i]!,
    own: s.totals[i]! - headStartOf(s.setup, s.sides[i]!),
    stage: points === null ? s.round : Math.min(s.totals[i]!, points),
    stages: points ?? rounds!,
    finished: points === null ? s.over : s.totals[i]! >= points,
  }));
}

/** What lies matters only by how far away, side by side. */
function key(s: ClosestState): string {
  const lie = s.sides.map((_, i) =>
    ofSide(s, i)
      .map((p) => (p.dead ? "x" : p.away))
      .sort(),
  );
  const turns = s.sent.map((n, i) => n % s.sides[i]!.length);
  return JSON.stringify([s.totals, s.marked, s.round, s.lead, s.phase, s.fails, lie, s.from, turns, s.over]);
}

/** A side that is empty is taken out with its pieces, where two others go on. */
function leave(s: ClosestState, who: number): ClosestState {
  const i = sideOf(s, who);
  const next = leaves(s, who, s.sent[i]!);
  const n = s.sides.length;
  if (!next.out || n < 3) return next;
  const of = (side: number) => renumbered(side, i, n);
  return {
    ...s,
    sides: cut(s.sides, i),
    totals: cut(s.totals, i),
    sent: cut(s.sent, i),
    won: cut(s.won, i),
    lead: of(s.lead),
    // In turn from whoever comes after the last one.
    from: s.from === i ? (i + n - 1) % (n - 1) : of(s.from),
    pieces: s.pieces.filter((p) => p.side !== i).map((p) => ({ ...p, side: of(p.side) })),
    fails: s.lead === i ? 0 : s.fails,
    phase: s.lead === i && s.phase === "place" ? "jack" : s.phase,
  };
}
/** Between rounds; as a side of its own only where each plays for itself. */
function join(s: ClosestState, who: number, side: number | null): ClosestState | null {
  if (s.over || s.pieces.length > 0 || s.phase === "place" || s.fails > 0) return null;
  if (side !== null) return joins(s, who, side, s.sent[side]!);
  if (s.setup.mode !== "against" || s.sides.some((x) => x.length > 1)) return null;
  const won = [...s.won, s.won[0]!.map(() => 0)];
  return { ...s, sides: [...s.sides, [who]], totals: [...s.totals, 0], sent: [...s.sent, 0], won };
}

/** Rounds about a jack: whoever lies nearest scores, one for each piece nearer than the best of the others. */
export const closestRules: Rules<ClosestParams, ClosestState> = {
  start,
  asks,
  step: (s, e) => step(s, e),
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
  step: (s, e) => step(s, e, BEFORE),
};

/** Written on paper: see `Possible`. Alone against the mark. */
export function possible(p: ClosestParams): Possible {
  const { points, rounds } = p.finish;
  const inRounds = (rounds ?? MAX_ROUNDS) * p.pieces;
  const most = points === null ? inRounds : Math.min(inRounds, points - 1 + p.pieces);
  const stages = points ?? rounds!;
  return { unit: "points", better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages };
}
