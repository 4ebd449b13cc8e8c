import { type AimOf, type Ask, PLAIN } from "../../asks/ask.ts";
import {
  type BaseState,
  type Ending,
  type Phrase,
  type Progress,
  type Refusal,
  type Rules,
  refuse,
  type Score,
  type Setup,
  seenAt,
} from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import { asTheyPlay, whoPlays } from "../../contract/people.ts";
import type { GameEvent } from "../../events/events.ts";
import { joins, LEFT, leaves, sideOf } from "../../match/company.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import { piecesOf, type ThreeLineParams } from "./params.ts";
import { cellsOf, gridOf, inLine, type Squares, taken } from "./rules.ts";

interface Lying {
  side: number;
  player: number;
  place: string;
}
/** Two sides on one grid. */
export interface DuelState extends BaseState {
  duel: true;
  params: ThreeLineParams;
  match: Match;
  sides: readonly (readonly number[])[];
  pieces: readonly Lying[];
  sends: readonly number[];
  /** Whose turn it is, and who sent last. */
  side: number;
  from: number;
  /** A piece was taken up and is still to be sent. */
  lifted: boolean;
  carried: number;
  last: number;
  over: boolean;
  winner: number | null;
  /** A bump made a line for the other side: whether anything else was bumped is still to be said, for a line of both is the sender's. */
  bumped?: boolean;
}

/** Taking one up again, seconds. */
const LIFT = 3;
/** Looking whether anything else was bumped, seconds. */
const LOOK = 2;
const placesOf = (s: DuelState, side: number) => s.pieces.filter((x) => x.side === side).map((x) => x.place);
const handOf = (s: DuelState, side: number) => {
  let hand = piecesOf(s.params);
  for (const x of s.pieces) if (x.side === side) hand--;
  return hand;
};
const isFree = (s: DuelState, cell: string) => cell !== "out" && s.pieces.every((x) => x.place !== cell);

const namesOf = ({ cells }: Squares, squares: number): string[] => cells.filter((_, i) => squares & (1 << i)).sort();
const squaresOf = (s: DuelState, side: number): number => {
  const { bits } = gridOf(s.params);
  let squares = 0;
  for (const x of s.pieces) if (x.side === side) squares |= bits.get(x.place)!;
  return squares;
};
const freeOf = (s: DuelState): number => gridOf(s.params).all & ~taken(gridOf(s.params), s.pieces);
const hasLine = (s: DuelState, side: number) => {
  const own = squaresOf(s, side);
  return gridOf(s.params).lineBits.some((line) => (own & line) === line);
};
const longestOf = (s: DuelState, side: number) => inLine(gridOf(s.params), squaresOf(s, side));
/** Free squares that would complete a line of a side. */
function completing(s: DuelState, side: number): number {
  const [own, free] = [squaresOf(s, side), freeOf(s)];
  let wins = 0;
  for (const line of gridOf(s.params).lineBits) {
    const rest = line & ~own;
    // One square is left of it.
    if (rest !== 0 && (rest & (rest - 1)) === 0) wins |= rest & free;
  }
  return wins;
}

function start(params: ThreeLineParams, match: Match, setup: Setup): DuelState {
  const all = whoPlays(setup);
  const sides = setup.sides ?? [all.filter((_, k) => k % 2 === 0), all.filter((_, k) => k % 2 === 1)];
  return {
    setup,
    duel: true,
    params,
    match,
    sides: sides.filter((x) => x.length > 0),
    pieces: [],
    sends: sides.map(() => 0),
    side: 0,
    from: 0,
    lifted: false,
    carried: 0,
    last: 0,
    over: false,
    winner: null,
  };
}

const playerOf = (s: DuelState, side: number) => s.sides[side]![s.sends[side]! % s.sides[side]!.length]!;
const mustLift = (s: DuelState) => handOf(s, s.side) === 0;

/** What sensible play wants (`winsThenBlocks`): a square that wins, else one that blocks, else any that is free, each as likely. All are offered. */
function aimFor(s: DuelState): AimOf<"cells"> {
  const grid = gridOf(s.params);
  const free = freeOf(s);
  const wins = completing(s, s.side);
  const blocks = s.sides.reduce((all, _, k) => (k === s.side ? all : all | completing(s, k)), 0);
  const among = grid.cells;
  const open = among.filter((_, i) => free & (1 << i));
  const blocked = wins || blocks;
  return { kind: "cells", want: blocked ? namesOf(grid, blocked) : open, among, free: open, alike: true };
}
/** Where each side lies. */
const boardOf = (s: DuelState): string => s.sides.reduce((text, _, i) => `${text}${squaresOf(s, i)} `, "");
/** What somebody sends at: the same board comes again and again, and is worked out once for each that plays on it. */
function sendOn(s: DuelState, player: number): Ask {
  const known = boards(s.setup)(s.params);
  const board = `${boardOf(s)}${s.side} ${player}`;
  let ask = known.get(board);
  if (!ask) {
    if (known.size > MAX_BOARDS) known.clear();
    const send: Ask = { kind: "send", player, from: "start", manner: PLAIN, aim: aimFor(s), fetch: false };
    [ask] = asTheyPlay(s.setup, [send]) as [Ask];
    known.set(board, ask);
  }
  return ask;
}
const boards = memoizeByIdentity((_: Setup) => memoizeByIdentity((_: ThreeLineParams) => new Map<string, Ask>()));
const MAX_BOARDS = 10_000;

function asks(s: DuelState): Ask[] {
  if (s.over) return [];
  const player = playerOf(s, s.side);
  const out: Ask[] = [];
  if (s.bumped) {
    out.push({ kind: "ready", player, takes: { by: [player], seconds: LOOK, walk: 0, moving: false } });
  } else if (mustLift(s)) {
    const takes = { by: [player], seconds: LIFT, walk: s.params.distance, moving: true };
    out.push({ kind: "choose", player, of: "lift", options: placesOf(s, s.side).sort(), must: true, takes });
  } else {
    out.push(sendOn(s, player));
  }
  if (s.pieces.length > 0) {
    const pieces = s.pieces.map((x, piece) => ({ piece, player: x.player, place: x.place }));
    out.push({ kind: "move", player, optional: true, pieces, places: [...cellsOf(s.params), "out"] });
  }
  if (s.match.carry && !s.lifted && !s.bumped) out.push({ kind: "carry", player, optional: true });
  return out;
}

/** A line ends it: of both at once it is the sender's. */
function settled(s: DuelState): DuelState {
  const winner = hasLine(s, s.from) ? s.from : s.sides.findIndex((_, i) => hasLine(s, i));
  return winner < 0 ? s : { ...s, over: true, winner };
}
/** Who sends next: whoever has a piece in the hand and a send left; then, where one may be taken up, whoever has a send left. */
function handedOn(s: DuelState): DuelState {
  if (s.over) return s;
  // On a full board nobody can lay another piece.
  if (freeOf(s) === 0) return { ...s, over: true };
  const n = s.sides.length;
  let taking: number | null = null;
  for (let k = 1; k <= n; k++) {
    const side = (s.side + k) % n;
    if (s.sends[side]! >= s.params.sends) continue;
    if (handOf(s, side) > 0) return { ...s, side, lifted: false };
    taking ??= side;
  }
  if (taking === null || (s.params.stuck ?? "takeUp") !== "takeUp") return { ...s, over: true };
  return { ...s, side: taking, lifted: false };
}

/** A line that a bump made for the sender ends it; one for the other side does once nothing else was bumped. */
function bumped(s: DuelState): DuelState {
  const line = settled(s);
  return line.over && line.winner !== s.from ? { ...s, bumped: true } : { ...line, bumped: false };
}

function step(s: DuelState, e: GameEvent, waits = true): DuelState | Refusal {
  if (s.over) return refuse("refused.over");
  if (e.at < s.last) return refuse("refused.earlier");
  const at = seenAt(s, e.at);
  if (s.bumped && e.kind === "ready") return settled({ ...at, bumped: false });
  if (s.bumped && e.kind !== "move") return refuse("refused.sayAllLie");
  switch (e.kind) {
    case "send": {
      if (e.rest === undefined) return refuse("refused.notInGame", { kind: e.kind });
      if (mustLift(s)) return refuse("refused.liftFirst");
      if (e.rest !== "out" && !cellsOf(s.params).includes(e.rest))
        return refuse("refused.unknownCell", { cell: e.rest });
      const lands = isFree(s, e.rest);
      const piece = { side: s.side, player: playerOf(s, s.side), place: e.rest };
      const sent = {
        ...at,
        pieces: lands ? [...s.pieces, piece] : s.pieces,
        sends: s.sends.map((n, i) => (i === s.side ? n + 1 : n)),
        from: s.side,
      };
      return handedOn(lands ? settled(sent) : sent);
    }
    case "choose": {
      if (e.of !== "lift" || !mustLift(s)) return refuse("refused.notInGame", { kind: e.kind });
      const i = s.pieces.findIndex((x) => x.side === s.side && x.place === e.pick);
      if (i < 0) return refuse("refused.notYours");
      return { ...at, pieces: s.pieces.filter((_, k) => k !== i), lifted: true };
    }
    case "move": {
      const piece = s.pieces[e.piece];
      if (!piece) return refuse("refused.noSuchPiece", { piece: e.piece + 1 });
      if (e.place !== "out" && !cellsOf(s.params).includes(e.place))
        return refuse("refused.unknownCell", { cell: e.place });
      const lies = e.place === piece.place || isFree(s, e.place);
      const pieces = lies
        ? s.pieces.map((x, i) => (i === e.piece ? { ...x, place: e.place } : x))
        : s.pieces.filter((_, i) => i !== e.piece);
      return (waits ? bumped : settled)({ ...at, pieces });
    }
    case "carry":
      if (!s.match.carry) return refuse("refused.noCarry");
      return s.lifted ? refuse("refused.carryBetween") : { ...at, carried: s.carried + 1 };
    default:
      return refuse("refused.notInGame", { kind: e.kind });
  }
}

const TOP = 1_000_000;
const score = (s: DuelState): Score[] =>
  s.sides.map((players, i) => ({
    players,
    value: s.sends[i]!,
    soFar: s.sends[i]!,
    unit: "sends",
    better: "less",
    working: "",
    rank: s.winner === i ? TOP : longestOf(s, i),
  }));

function ending(s: DuelState): Ending | null {
  if (!s.over) return null;
  if (s.out) return { reason: LEFT, winners: [] };
  if (s.winner !== null)
    return { reason: { key: "threeLine.end.line", params: { size: s.params.size } }, winners: [s.winner] };
  return { reason: { key: "threeLine.end.draw" }, winners: s.sides.map((_, i) => i) };
}

function turn(s: DuelState): { player: number; side: number; now: Phrase } {
  const at = { player: playerOf(s, s.side), side: s.side };
  if (s.over) return { ...at, now: { key: "play.over" } };
  if (s.bumped) return { ...at, now: { key: "threeLine.bumped" } };
  if (mustLift(s)) return { ...at, now: { key: "threeLine.lift" } };
  return {
    ...at,
    now: { key: "threeLine.send", params: { send: s.sends[s.side]! + 1, of: s.params.sends, size: s.params.size } },
  };
}

const progress = (s: DuelState): Progress[] =>
  s.sides.map((_, i) => ({
    sends: s.sends[i]!,
    rounds: 0,
    points: s.sends[i]!,
    own: s.sends[i]!,
    stage: s.winner === i ? s.params.size : longestOf(s, i),
    stages: s.params.size,
    finished: s.winner === i,
  }));

/** One grid for two sides: in turn, taken or outside is a lost turn, the first line wins. */
export const duelRules: Rules<ThreeLineParams, DuelState> = {
  start,
  asks,
  step: (s, e) => step(s, e),
  due: () => null,
  clock: () => "none",
  sidesMeet: () => true,
  key: (s) =>
    `${boardOf(s)}/${s.sends} ${s.side} ${s.lifted}${s.bumped ? " bumped" : ""} ${s.over ? (s.winner ?? "draw") : ""}`,
  turn,
  done: () => [],
  score,
  ending,
  progress,
  leave: (s, who) => leaves(s, who, s.sends[sideOf(s, who)]!),
  // Before the first piece.
  join: (s, who, side) =>
    side !== null && !s.over && s.sends.every((n) => n === 0) ? joins(s, who, side, s.sends[side]!) : null,
};

/** Until version 2 a line that a bump made ended it at once, whoever's it was. */
export const duelRules1: Rules<ThreeLineParams, DuelState> = { ...duelRules, step: (s, e) => step(s, e, false) };
