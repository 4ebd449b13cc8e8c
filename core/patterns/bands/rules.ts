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
import { type BandsParams, MAX_ROUNDS } from "./params.ts";

interface Piece {
  player: number;
  side: number;
  zone: string;
}
/** A closed round, for the working of the score. */
interface Closed {
  /** Points lying in the bands, and what each side gained. */
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
  /** Points that lay in the bands, round by round, whatever of them counted. */
  earned: readonly number[];
  /** Pieces each side has sent in the whole game: its players take them in turn. */
  sent: readonly number[];
  round: number;
  lead: number;
  pieces: readonly Piece[];
  /** The blocker of the next piece has been decided; where it stands, or null. */
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
    totals: sides.map((x) => headStartOf(setup, x)),
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

/** Together: one side. Against for the difference with three or more: two sides, every other player. Else each alone. */
function sidesOf(p: BandsParams, setup: Setup): readonly (readonly number[])[] {
  const { mode, sides } = setup;
  if (sides) return sides;
  const all = whoPlays(setup);
  if (mode === "relay") return [all];
  if (mode === "against" && p.counting === "difference" && all.length > 2)
    return [all.filter((_, k) => k % 2 === 0), all.filter((_, k) => k % 2 === 1)];
  return all.map((i) => [i]);
}

const byDifference = (s: BandsState) =>
  s.params.counting === "difference" && s.setup.mode === "against" && s.sides.length === 2;
/** Every place where a piece can rest, and what it is worth, near to far. */
const zonesOf = memoizeByIdentity(
  (p: BandsParams) =>
    new Map([
      ["short", 0],
      ...p.points.map((points, i) => [`z${i + 1}`, points] as const),
      ["over", p.overshoot === "last" ? p.points[p.points.length - 1]! : 0],
    ]),
);
export const zoneIds = memoizeByIdentity((p: BandsParams) => [...zonesOf(p).keys()]);
export const pointsOf = (p: BandsParams, zone: string): number => zonesOf(p).get(zone)!;
/** What is aimed at where nothing limits what a place is worth. */
const aimOf = memoizeByIdentity(
  (p: BandsParams): AimOf<"zones"> => ({ kind: "zones", worth: Object.fromEntries(zonesOf(p)) }),
);
const full = (s: BandsState) => s.pieces.length === s.sides.length * s.params.pieces;
function sideToSend(s: BandsState): number {
  const i = s.pieces.length;
  return (s.lead + (s.params.order === "piece" ? i : Math.floor(i / s.params.pieces))) % s.sides.length;
}
const sentBy = (s: BandsState, side: number) => s.pieces.filter((p) => p.side === side).length;
function playerToSend(s: BandsState): { side: number; player: number } {
  const side = full(s) ? s.lead : sideToSend(s);
  const of = s.sides[side]!;
  return { side, player: of[s.sent[side]! % of.length]! };
}
const asksBlocker = (s: BandsState) =>
  s.params.blocker && !s.decided && !full(s) && sentBy(s, sideToSend(s)) === s.params.pieces - 1;
const betweenRounds = (s: BandsState) => s.pieces.length === 0 && s.round > 1;

/** Collecting, and deciding on a blocker. Seconds. */
const SETTLE = 4;
const DECIDE = 5;

function asks(s: BandsState): Ask[] {
  if (s.over) return [];
  const zones = zoneIds(s.params);
  const { player } = playerToSend(s);
  const out: Ask[] = [];
  if (full(s)) {
    const walk = s.params.lines[s.params.lines.length - 1]!;
    out.push({ kind: "ready", player, takes: { by: s.sides.flat(), seconds: SETTLE, walk, moving: true } });
  } else if (asksBlocker(s)) {
    const takes = { by: [player], seconds: DECIDE, walk: 0, moving: false };
    out.push({ kind: "choose", player, of: "blocker", options: zones.filter((z) => z !== "over"), takes });
  } else
    out.push({
      kind: "send",
      player,
      from: "start",
      manner: PLAIN,
      aim: aimNow(s),
      fetch: false,
    });
  if (s.pieces.length > 0) {
    const takes = { by: [player], seconds: DECIDE, walk: 0, moving: false };
    out.push(
      {
        kind: "move",
        player,
        optional: true,
        get pieces() {
          return s.pieces.map((p, piece) => ({ piece, player: p.player, place: p.zone }));
        },
        places: zones,
      },
      { kind: "stand", player, optional: true, what: "marker", takes },
    );
  }
  if (s.match.carry && betweenRounds(s)) out.push({ kind: "carry", player, optional: true });
  return asTheyPlay(s.setup, out);
}

/** What each place is worth now: its points, but none beyond what an exact finish still needs. */
function aimNow(s: BandsState): AimOf<"zones"> {
  const p = s.params;
  if (!p.finish.exact || p.finish.total === null || byDifference(s)) return aimOf(p);
  const { side } = playerToSend(s);
  const need = p.finish.total - s.totals[side]! - lying(s)[side]!;
  const { worth } = aimOf(p);
  if (Object.values(worth).every((points) => points <= need)) return aimOf(p);
  return {
    kind: "zones",
    worth: Object.fromEntries(Object.entries(worth).map(([zone, points]) => [zone, points > need ? 0 : points])),
  };
}

function step(s: BandsState, e: GameEvent): BandsState | Refusal {
  if (s.over) return refuse("refused.over");
  if (e.at < s.last) return refuse("refused.earlier");
  const at = seenAt(s, e.at);
  switch (e.kind) {
    case "send": {
      if (e.rest === undefined) return refuse("refused.notInGame", { kind: e.kind });
      if (full(s)) return refuse("refused.roundFull");
      if (asksBlocker(s)) return refuse("refused.blockerFirst");
      if (!zonesOf(s.params).has(e.rest)) return refuse("refused.unknownZone", { zone: e.rest });
      const { side, player } = playerToSend(s);
      return {
        ...at,
        pieces: [...s.pieces, { player, side, zone: e.rest }],
        sent: s.sent.map((n, i) => (i === side ? n + 1 : n)),
        decided: false,
        blocked: null,
      };
    }
    case "move":
      if (e.piece >= s.pieces.length) return refuse("refused.noSuchPiece", { piece: e.piece + 1 });
      if (!zoneIds(s.params).includes(e.place)) return refuse("refused.unknownZone", { zone: e.place });
      return { ...at, pieces: s.pieces.map((p, i) => (i === e.piece ? { ...p, zone: e.place } : p)) };
    case "choose":
      if (e.of !== "blocker") return refuse("refused.notInGame", { kind: e.kind });
      if (!asksBlocker(s)) return refuse(s.params.blocker ? "refused.blockerNotNow" : "refused.noBlocker");
      if (e.pick !== null && (e.pick === "over" || !zoneIds(s.params).includes(e.pick)))
        return refuse("refused.unknownZone", { zone: e.pick });
      return { ...at, decided: true, blocked: e.pick };
    case "stand":
      return s.pieces.length === 0 ? refuse("refused.nothingFell") : at;
    case "carry":
      if (!s.match.carry) return refuse("refused.noCarry");
      return betweenRounds(s) ? { ...at, carried: s.carried + 1 } : refuse("refused.carryBetween");
    case "ready":
      return full(s)
        ? close(at)
        : refuse("refused.roundOpen", { left: s.sides.length * s.params.pieces - s.pieces.length });
    default:
      return refuse("refused.notInGame", { kind: e.kind });
  }
}

const lying = (s: BandsState) =>
  s.sides.map((_, side) => s.pieces.reduce((n, p) => (p.side === side ? n + pointsOf(s.params, p.zone) : n), 0));

function gains(s: BandsState, points: readonly number[]): number[] {
  if (!byDifference(s)) return [...points];
  const [a, b] = points as [number, number];
  return [Math.max(0, a - b), Math.max(0, b - a)];
}

function added(p: BandsParams, total: number, gained: number): number {
  const sum = total + gained;
  if (p.finish.total === null || !p.finish.exact || sum <= p.finish.total) return sum;
  return p.finish.dropTo ?? total;
}

function close(s: BandsState): BandsState {
  const points = lying(s);
  const gained = gains(s, points);
  const totals = s.totals.map((t, i) => added(s.params, t, gained[i]!));
  const best = Math.max(...points);
  const worst = Math.min(...points);
  const one = (n: number) => points.filter((x) => x === n).length === 1;
  const lead = {
    alternate: (s.lead + 1) % s.sides.length,
    winner: one(best) ? points.indexOf(best) : s.lead,
    loser: one(worst) ? points.indexOf(worst) : s.lead,
    same: s.lead,
  }[s.params.lead];
  const after = {
    ...s,
    totals,
    earned: s.earned.map((e, i) => e + points[i]!),
    lead,
    pieces: [],
    closed: { points, gained, before: s.totals },
    round: s.round + 1,
    decided: false,
    blocked: null,
  };
  return { ...after, over: finished(after) };
}

const reached = (s: BandsState) => s.params.finish.total !== null && s.totals.some((t) => t >= s.params.finish.total!);

function finished(s: BandsState): boolean {
  const played = s.round - 1;
  if (played >= MAX_ROUNDS) return true;
  const { finish, tie } = s.params;
  const ends = reached(s) || (finish.rounds !== null && played >= finish.rounds);
  if (!ends) return false;
  const level = s.setup.mode === "against" && mostOf(s.totals).length > 1;
  return !(level && tie === "extra" && !(finish.exact && reached(s)));
}

function score(s: BandsState): Score[] {
  const points = lying(s);
  return s.sides.map((players, i) => ({
    players,
    value: s.totals[i]!,
    soFar: s.totals[i]! + points[i]!,
    unit: "points",
    better: "more",
    working: working(s, i, points),
    rank: s.totals[i]!,
  }));
}

/** The round under way as a sum; else the last round: `9 - 5 = 4`, then `12 + 4 = 16`. */
function working(s: BandsState, side: number, points: readonly number[]): string {
  if (s.pieces.length > 0) {
    const own = s.pieces.filter((p) => p.side === side).map((p) => pointsOf(s.params, p.zone));
    return sumOf(own, points[side]!);
  }
  if (!s.closed) return "";
  const { points: lay, gained, before } = s.closed;
  const other = lay[1 - side];
  const parts: string[] = [];
  if (byDifference(s) && gained[side]! > 0) parts.push(`${lay[side]} - ${other} = ${gained[side]}`);
  const sum = before[side]! + gained[side]!;
  if (before[side]! > 0 && gained[side]! > 0) parts.push(`${before[side]} + ${gained[side]} = ${sum}`);
  if (sum !== s.totals[side]) parts.push(`${sum} > ${s.params.finish.total}: ${s.totals[side]}`);
  return parts.join("; ");
}

function ending(s: BandsState): Ending | null {
  if (!s.over) return null;
  const reason: Phrase = reached(s)
    ? { key: "bands.end.total", params: { total: s.params.finish.total! } }
    : { key: "bands.end.rounds", params: { rounds: s.round - 1 } };
  return endOf(s, reason, s.setup.mode === "against" && s.sides.length > 1 ? s.totals : null);
}

function turn(s: BandsState): { player: number; side: number; now: Phrase } {
  const at = playerToSend(s);
  if (s.over) return { ...at, now: { key: "play.over" } };
  if (full(s)) return { ...at, now: { key: "bands.settle" } };
  if (asksBlocker(s)) return { ...at, now: { key: "bands.block" } };
  const piece = sentBy(s, at.side) + 1;
  const left = s.params.pieces - piece + 1;
  return {
    ...at,
    now: { key: left === 1 ? "bands.last" : "bands.send", params: { piece, of: s.params.pieces, round: s.round } },
  };
}

function progress(s: BandsState): Progress[] {
  const played = s.round - 1;
  const { finish } = s.params;
  return s.sides.map((_, i) => ({
    sends: s.sent[i]!,
    rounds: played,
    points: s.totals[i]!,
    own: byDifference(s) ? s.earned[i]! : s.totals[i]! - headStartOf(s.setup, s.sides[i]!),
    stage: finish.total === null ? played : Math.min(s.totals[i]!, finish.total),
    stages: finish.total ?? finish.rounds!,
    finished: finish.total === null ? s.over : s.totals[i]! >= finish.total,
  }));
}

/** By difference: what lay in the bands is compared, what the rounds gained decides the match. */
export const matchApart = (p: BandsParams, setup: Setup): boolean =>
  p.counting === "difference" && setup.mode === "against";

/** Written on paper: see `Possible`. Alone all points count. */
export function possible(p: BandsParams): Possible {
  const round = p.pieces * Math.max(...p.points);
  const { rounds, total, exact } = p.finish;
  const inRounds = (rounds ?? MAX_ROUNDS) * round;
  const most = total === null ? inRounds : Math.min(inRounds, exact ? total : total - 1 + round);
  return { unit: "points", better: "more", least: 0, most, values: null, finished: { least: 0, most }, stages: 0 };
}

/**
 * Where pieces lie matters to the future only by their sum, since no outcome of the forecast moves one; and where nothing hangs
 * on a single round (an exact finish, a difference, who leads), only the sum with the total matters.
 */
function key(s: BandsState, totals = s.totals): string {
  const leads = s.sides.length > 1 && (s.params.lead === "winner" || s.params.lead === "loser");
  const perRound = s.params.finish.exact || byDifference(s) || (leads && s.sides.length > 2);
  const turnOf = s.sides.length > 1 || s.sides[0]!.length > 1 ? s.sent.map((n, i) => n % s.sides[i]!.length) : 0;
  const points = lying(s);
  // Of two the one with more of the round leads the next.
  const held = perRound
    ? [totals, points, byDifference(s) ? s.earned : 0]
    : [...totals.map((t, i) => t + points[i]!), leads ? points[0]! - points[1]! : 0];
  return JSON.stringify([held, s.pieces.length, s.round, s.lead, turnOf, s.decided, s.over]);
}

/**
 * To a total, without a number of rounds: how many there were is told, and decides nothing but at the very last. In extra rounds both have the
 * total, and only who is ahead counts.
 */
function counters(p: BandsParams): Counters<BandsState> | null {
  if (p.finish.rounds !== null) return null;
  const extra = (s: BandsState) => s.sides.length === 2 && !p.finish.exact && reached(s) && !byDifference(s);
  return {
    // With what lies there, which equal states need not share out alike.
    of: (s) => [s.round, ...s.sent, ...lying(s).map((n, i) => n + s.totals[i]!)],
    put: (s, i, n) => {
      if (i === 0) return { ...s, round: n };
      const side = (i - 1) % s.sides.length;
      const with_ = (list: readonly number[]) => list.map((k, x) => (x === side ? n : k));
      return i <= s.sides.length
        ? { ...s, sent: with_(s.sent) }
        : { ...s, totals: s.totals.map((k, x) => (x === side ? n - lying(s)[x]! : k)) };
    },
    feeds: (figure, side, sides) => (figure === "rounds" ? 0 : 1 + side + (figure === "points" ? sides : 0)),
    key: (s) => key({ ...s, round: 0 }, extra(s) ? s.sides.map(() => p.finish.total!) : s.totals),
    limit: { counter: 0, at: MAX_ROUNDS },
  };
}

/** A side that is empty is taken out with its pieces, where two others go on. */
function leave(s: BandsState, who: number): BandsState {
  const i = sideOf(s, who);
  const next = leaves(s, who, s.sent[i]!);
  const n = s.sides.length;
  if (!next.out || n < 3) return next;
  const of = (side: number) => renumbered(side, i, n);
  const { closed } = s;
  return {
    ...s,
    sides: cut(s.sides, i),
    totals: cut(s.totals, i),
    earned: cut(s.earned, i),
    sent: cut(s.sent, i),
    lead: of(s.lead),
    pieces: s.pieces.filter((p) => p.side !== i).map((p) => ({ ...p, side: of(p.side) })),
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
function join(s: BandsState, who: number, side: number | null): BandsState | null {
  if (s.over || s.pieces.length > 0 || s.decided) return null;
  if (side !== null) return joins(s, who, side, s.sent[side]!);
  if (s.setup.mode === "relay" || s.sides.some((x) => x.length > 1) || byDifference(s)) return null;
  const more = (list: readonly number[]) => [...list, 0];
  const { closed } = s;
  return {
    ...s,
    sides: [...s.sides, [who]],
    totals: more(s.totals),
    earned: more(s.earned),
    sent: more(s.sent),
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
