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
import { piecesOf } from "./params.ts";
import { cellsOf, gridOf, inLine, type Squares, taken } from "./rules.ts";
import type { ThreeLineParams } from "./schema.ts";

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
  /** The side whose turn it is, and who sent last. */
  side: number;
  from: number;
  /** A piece was picked up and has not been sent yet. */
  lifted: boolean;
  carried: number;
  last: number;
  over: boolean;
  winner: number | null;
  /**
   * A bump made a line for the other side. Whether anything else was bumped must still be reported, because if both
   * sides have a line, the sender wins.
   */
  bumped?: boolean;
}

/** The time to pick a piece up, seconds. */
const LIFT = 3;
/** The time to look whether anything else was bumped, seconds. */
const LOOK = 2;
const placesOf = (state: DuelState, side: number) =>
  state.pieces.filter((piece) => piece.side === side).map((piece) => piece.place);
const handOf = (state: DuelState, side: number) => {
  let hand = piecesOf(state.params);
  for (const piece of state.pieces) if (piece.side === side) hand--;
  return hand;
};
const isFree = (state: DuelState, cell: string) =>
  cell !== "out" && state.pieces.every((piece) => piece.place !== cell);

const namesOf = ({ cells }: Squares, squares: number): string[] => cells.filter((_, i) => squares & (1 << i)).sort();
const squaresOf = (state: DuelState, side: number): number => {
  const { bits } = gridOf(state.params);
  let squares = 0;
  for (const piece of state.pieces) if (piece.side === side) squares |= bits.get(piece.place)!;
  return squares;
};
const freeOf = (state: DuelState): number => gridOf(state.params).all & ~taken(gridOf(state.params), state.pieces);
const hasLine = (state: DuelState, side: number) => {
  const own = squaresOf(state, side);
  return gridOf(state.params).lineBits.some((line) => (own & line) === line);
};
const longestOf = (state: DuelState, side: number) => inLine(gridOf(state.params), squaresOf(state, side));
/** The free squares that would complete a line of a side. */
function completing(state: DuelState, side: number): number {
  const [own, free] = [squaresOf(state, side), freeOf(state)];
  let wins = 0;
  for (const line of gridOf(state.params).lineBits) {
    const rest = line & ~own;
    // One square of it is left.
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
    sides: sides.filter((side) => side.length > 0),
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

const playerOf = (state: DuelState, side: number) =>
  state.sides[side]![state.sends[side]! % state.sides[side]!.length]!;
const mustLift = (state: DuelState) => handOf(state, state.side) === 0;

/**
 * The aim of sensible play (`winsThenBlocks`): a square that wins, otherwise one that blocks, otherwise any free one,
 * each equally likely. All squares are offered.
 */
function aimFor(state: DuelState): AimOf<"cells"> {
  const grid = gridOf(state.params);
  const free = freeOf(state);
  const wins = completing(state, state.side);
  const blocks = state.sides.reduce((all, _, k) => (k === state.side ? all : all | completing(state, k)), 0);
  const among = grid.cells;
  const open = among.filter((_, i) => free & (1 << i));
  const blocked = wins || blocks;
  return { kind: "cells", want: blocked ? namesOf(grid, blocked) : open, among, free: open, alike: true };
}
/** Where each side's pieces lie. */
const boardOf = (state: DuelState): string => state.sides.reduce((text, _, i) => `${text}${squaresOf(state, i)} `, "");
/**
 * What a player sends at. The same board occurs again and again, so this is computed once for each player and board.
 */
function sendOn(state: DuelState, player: number): Ask {
  const known = boards(state.setup)(state.params);
  const board = `${boardOf(state)}${state.side} ${player}`;
  let ask = known.get(board);
  if (!ask) {
    if (known.size > MAX_BOARDS) known.clear();
    const send: Ask = { kind: "send", player, from: "start", manner: PLAIN, aim: aimFor(state), fetch: false };
    [ask] = asTheyPlay(state.setup, [send]) as [Ask];
    known.set(board, ask);
  }
  return ask;
}
const boards = memoizeByIdentity((_: Setup) => memoizeByIdentity((_: ThreeLineParams) => new Map<string, Ask>()));
const MAX_BOARDS = 10_000;

function asks(state: DuelState): Ask[] {
  if (state.over) return [];
  const player = playerOf(state, state.side);
  const out: Ask[] = [];
  if (state.bumped) {
    out.push({ kind: "ready", player, takes: { by: [player], seconds: LOOK, walk: 0, moving: false } });
  } else if (mustLift(state)) {
    const takes = { by: [player], seconds: LIFT, walk: state.params.distance, moving: true };
    out.push({ kind: "choose", player, of: "lift", options: placesOf(state, state.side).sort(), must: true, takes });
  } else {
    out.push(sendOn(state, player));
  }
  if (state.pieces.length > 0) {
    const pieces = state.pieces.map((lying, piece) => ({ piece, player: lying.player, place: lying.place }));
    out.push({ kind: "move", player, optional: true, pieces, places: [...cellsOf(state.params), "out"] });
  }
  if (state.match.carry && !state.lifted && !state.bumped) out.push({ kind: "carry", player, optional: true });
  return out;
}

/** A line ends the game. If both sides have one, the sender wins. */
function settled(state: DuelState): DuelState {
  const winner = hasLine(state, state.from) ? state.from : state.sides.findIndex((_, i) => hasLine(state, i));
  return winner < 0 ? state : { ...state, over: true, winner };
}
/**
 * The player who sends next: the one with a piece in hand and a send left; otherwise, if a piece may be picked up,
 * one with a send left.
 */
function handedOn(state: DuelState): DuelState {
  if (state.over) return state;
  // On a full board nobody can place another piece.
  if (freeOf(state) === 0) return { ...state, over: true };
  const count = state.sides.length;
  let taking: number | null = null;
  for (let k = 1; k <= count; k++) {
    const side = (state.side + k) % count;
    if (state.sends[side]! >= state.params.sends) continue;
    if (handOf(state, side) > 0) return { ...state, side, lifted: false };
    taking ??= side;
  }
  if (taking === null || (state.params.stuck ?? "takeUp") !== "takeUp") return { ...state, over: true };
  return { ...state, side: taking, lifted: false };
}

/**
 * A line that a bump made for the sender ends the game at once. A line for the other side ends it once nothing else
 * was bumped.
 */
function bumped(state: DuelState): DuelState {
  const line = settled(state);
  return line.over && line.winner !== state.from ? { ...state, bumped: true } : { ...line, bumped: false };
}

function step(state: DuelState, event: GameEvent, waits = true): DuelState | Refusal {
  if (state.over) return refuse("refused.over");
  if (event.at < state.last) return refuse("refused.earlier");
  const at = seenAt(state, event.at);
  if (state.bumped && event.kind === "ready") return settled({ ...at, bumped: false });
  if (state.bumped && event.kind !== "move") return refuse("refused.sayAllLie");
  switch (event.kind) {
    case "send": {
      if (event.rest === undefined) return refuse("refused.notInGame", { kind: event.kind });
      if (mustLift(state)) return refuse("refused.liftFirst");
      if (event.rest !== "out" && !cellsOf(state.params).includes(event.rest))
        return refuse("refused.unknownCell", { cell: event.rest });
      const lands = isFree(state, event.rest);
      const piece = { side: state.side, player: playerOf(state, state.side), place: event.rest };
      const sent = {
        ...at,
        pieces: lands ? [...state.pieces, piece] : state.pieces,
        sends: state.sends.map((send, i) => (i === state.side ? send + 1 : send)),
        from: state.side,
      };
      return handedOn(lands ? settled(sent) : sent);
    }
    case "choose": {
      if (event.of !== "lift" || !mustLift(state)) return refuse("refused.notInGame", { kind: event.kind });
      const i = state.pieces.findIndex((piece) => piece.side === state.side && piece.place === event.pick);
      if (i < 0) return refuse("refused.notYours");
      return { ...at, pieces: state.pieces.filter((_, k) => k !== i), lifted: true };
    }
    case "move": {
      const piece = state.pieces[event.piece];
      if (!piece) return refuse("refused.noSuchPiece", { piece: event.piece + 1 });
      if (event.place !== "out" && !cellsOf(state.params).includes(event.place))
        return refuse("refused.unknownCell", { cell: event.place });
      const lies = event.place === piece.place || isFree(state, event.place);
      const pieces = lies
        ? state.pieces.map((lying, i) => (i === event.piece ? { ...lying, place: event.place } : lying))
        : state.pieces.filter((_, i) => i !== event.piece);
      return (waits ? bumped : settled)({ ...at, pieces });
    }
    case "carry":
      if (!state.match.carry) return refuse("refused.noCarry");
      return state.lifted ? refuse("refused.carryBetween") : { ...at, carried: state.carried + 1 };
    default:
      return refuse("refused.notInGame", { kind: event.kind });
  }
}

const TOP = 1_000_000;
const score = (state: DuelState): Score[] =>
  state.sides.map((players, i) => ({
    players,
    value: state.sends[i]!,
    soFar: state.sends[i]!,
    unit: "sends",
    better: "less",
    working: "",
    rank: state.winner === i ? TOP : longestOf(state, i),
  }));

function ending(state: DuelState): Ending | null {
  if (!state.over) return null;
  if (state.out) return { reason: LEFT, winners: [] };
  if (state.winner !== null)
    return { reason: { key: "threeLine.end.line", params: { size: state.params.size } }, winners: [state.winner] };
  return { reason: { key: "threeLine.end.draw" }, winners: state.sides.map((_, i) => i) };
}

function turn(state: DuelState): { player: number; side: number; now: Phrase } {
  const at = { player: playerOf(state, state.side), side: state.side };
  if (state.over) return { ...at, now: { key: "play.over" } };
  if (state.bumped) return { ...at, now: { key: "threeLine.bumped" } };
  if (mustLift(state)) return { ...at, now: { key: "threeLine.lift" } };
  return {
    ...at,
    now: {
      key: "threeLine.send",
      params: { send: state.sends[state.side]! + 1, of: state.params.sends, size: state.params.size },
    },
  };
}

const progress = (state: DuelState): Progress[] =>
  state.sides.map((_, i) => ({
    sends: state.sends[i]!,
    rounds: 0,
    points: state.sends[i]!,
    own: state.sends[i]!,
    stage: state.winner === i ? state.params.size : longestOf(state, i),
    stages: state.params.size,
    finished: state.winner === i,
  }));

/** One grid for two sides who take turns. A taken square or the outside is a lost turn. The first line wins. */
export const duelRules: Rules<ThreeLineParams, DuelState> = {
  start,
  asks,
  step: (state, event) => step(state, event),
  due: () => null,
  clock: () => "none",
  sidesMeet: () => true,
  key: (state) =>
    `${boardOf(state)}/${state.sends} ${state.side} ${state.lifted}${state.bumped ? " bumped" : ""} ${state.over ? (state.winner ?? "draw") : ""}`,
  turn,
  done: () => [],
  score,
  ending,
  progress,
  leave: (state, who) => leaves(state, who, state.sends[sideOf(state, who)]!),
  // Before the first piece.
  join: (state, who, side) =>
    side !== null && !state.over && state.sends.every((send) => send === 0)
      ? joins(state, who, side, state.sends[side]!)
      : null,
};

/** Up to version 2, a line made by a bump ended the game at once, whichever side it was for. */
export const duelRules1: Rules<ThreeLineParams, DuelState> = {
  ...duelRules,
  step: (state, event) => step(state, event, false),
};
