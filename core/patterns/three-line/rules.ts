import type { Ask } from "../../asks/ask.ts";
import { type Possible, type Refusal, refuse } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import type { ThreeLineParams } from "./schema.ts";

/** One grid of one side, and the pieces that lie in a square each. */
export interface Grid {
  pieces: readonly { player: number; place: string }[];
  sends: number;
}

/** `c<row><column>`. Row 1 is the nearest. */
export const cellId = (row: number, column: number): string => `c${row}${column}`;
export const cellsOf = (p: Pick<ThreeLineParams, "size">): readonly string[] => gridOf(p).cells;

/** Every line of a grid: rows, columns and both diagonals. */
export const linesOf = (p: Pick<ThreeLineParams, "size">): readonly (readonly string[])[] => gridOf(p).lines;

function linesIn(size: number): string[][] {
  const n = Array.from({ length: size }, (_, i) => i + 1);
  return [
    ...n.map((r) => n.map((c) => cellId(r, c))),
    ...n.map((c) => n.map((r) => cellId(r, c))),
    n.map((i) => cellId(i, i)),
    n.map((i) => cellId(i, size + 1 - i)),
  ];
}
/** The squares and lines of a size, which every step asks for. Squares are bits, by their number in the list. */
export interface Squares {
  cells: readonly string[];
  lines: readonly (readonly string[])[];
  bits: ReadonlyMap<string, number>;
  lineBits: readonly number[];
  all: number;
}
function gridIn(size: number): Squares {
  const cells = Array.from({ length: size * size }, (_, i) => cellId(Math.floor(i / size) + 1, (i % size) + 1));
  const lines = linesIn(size);
  const bits = new Map(cells.map((cell, i) => [cell, 1 << i]));
  const lineBits = lines.map((line) => line.reduce((n, text) => n | bits.get(text)!, 0));
  return { cells, lines, bits, lineBits, all: (1 << cells.length) - 1 };
}
const grids: Readonly<Record<number, Squares>> = Object.fromEntries([3, 4].map((size) => [size, gridIn(size)]));
export const gridOf = ({ size }: Pick<ThreeLineParams, "size">): Squares => grids[size]!;
/** How many bits are set. */
function count(bits: number): number {
  let n = 0;
  for (let left = bits; left !== 0; left &= left - 1) n++;
  return n;
}
/** The squares that some pieces lie in, as bits. */
export function taken({ bits }: Squares, pieces: readonly { place: string }[]): number {
  let squares = 0;
  for (const piece of pieces) squares |= bits.get(piece.place) ?? 0;
  return squares;
}
/** The most of some squares that lie in one line. */
export const inLine = ({ lineBits }: Squares, squares: number): number =>
  Math.max(...lineBits.map((line) => count(line & squares)));
const longest = (params: ThreeLineParams, grid: Grid) => inLine(gridOf(params), taken(gridOf(params), grid.pieces));
const full = (params: ThreeLineParams, grid: Grid) => longest(params, grid) === params.size;
const isFree = (params: ThreeLineParams, givenGrid: Grid, place: string) => {
  const grid = gridOf(params);
  return ((grid.bits.get(place) ?? 0) & ~taken(grid, givenGrid.pieces)) !== 0;
};
const free = (params: ThreeLineParams, givenGrid: Grid) => {
  const grid = gridOf(params);
  const squares = taken(grid, givenGrid.pieces);
  return grid.cells.filter((_, i) => (squares & (1 << i)) === 0);
};

function asks(params: ThreeLineParams, grid: Grid, player: number): Ask[] {
  const among = cellsOf(params);
  const open = free(params, grid);
  const send: Ask = {
    kind: "send",
    player,
    from: "start",
    manner: {},
    aim: { kind: "cells", want: open, among, free: open },
    fetch: false,
  };
  if (grid.pieces.length === 0) return [send];
  const pieces = grid.pieces.map((eachPiece, piece) => ({ piece, player: eachPiece.player, place: eachPiece.place }));
  return [send, { kind: "move", player, optional: true, pieces, places: [...among, "out"] }];
}

function step(params: ThreeLineParams, grid: Grid, event: GameEvent): StepResult<Grid> | Refusal {
  switch (event.kind) {
    case "send": {
      if (event.rest === undefined) return refuse("refused.notInGame", { kind: event.kind });
      if (event.rest !== "out" && !cellsOf(params).includes(event.rest))
        return refuse("refused.unknownCell", { cell: event.rest });
      const lands = isFree(params, grid, event.rest);
      const pieces = lands ? [...grid.pieces, { player: 0, place: event.rest }] : grid.pieces;
      return after(params, { pieces, sends: grid.sends + 1 }, lands ? "hit" : "miss");
    }
    case "move": {
      const piece = grid.pieces[event.piece];
      if (!piece) return refuse("refused.noSuchPiece", { piece: event.piece + 1 });
      if (event.place !== "out" && !cellsOf(params).includes(event.place))
        return refuse("refused.unknownCell", { cell: event.place });
      // In a free square a moved piece counts where it ends. Outside, or on another piece, it goes back to the hand.
      const rest = grid.pieces.filter((_, i) => i !== event.piece);
      const lies = event.place === piece.place || isFree(params, grid, event.place);
      const pieces = lies
        ? grid.pieces.map((eachPiece, i) => (i === event.piece ? { ...eachPiece, place: event.place } : eachPiece))
        : rest;
      return after(params, { ...grid, pieces }, "on");
    }
    default:
      return refuse("refused.notInGame", { kind: event.kind });
  }
}
const after = (params: ThreeLineParams, go: Grid, went: "hit" | "miss" | "on"): StepResult<Grid> => ({
  go,
  after: full(params, go) || go.sends >= params.sends ? "end" : went,
});

const TOP = 1_000_000;
function sum(params: ThreeLineParams, grid: Grid): Sum {
  const stage = longest(params, grid);
  const finished = stage === params.size;
  return {
    value: grid.sends,
    unit: "sends",
    better: "less",
    rank: finished ? TOP - grid.sends : stage,
    working: "",
    sends: grid.sends,
    stage,
    stages: params.size,
    finished,
  };
}

export const threeLineGo: GoRules<ThreeLineParams, Grid> = {
  begin: () => ({ pieces: [], sends: 0 }),
  asks,
  step,
  clock: () => null,
  sum,
  key: (_, grid) =>
    `${grid.pieces
      .map((piece) => piece.place)
      .sort()
      .join(",")} ${grid.sends}`,
  now: (params, grid) => ({
    key: "threeLine.send",
    params: { send: grid.sends + 1, of: params.sends, size: params.size },
  }),
  done: (_, grid) => grid.pieces.map((piece) => piece.place),
  ended: (params, { finished }) => ({
    key: finished ? "threeLine.end.line" : "threeLine.end.spent",
    params: { size: params.size },
  }),
  together: "share",
};

export function possible(params: ThreeLineParams, match: Match): Possible {
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  const most = params.sends * kept;
  return {
    unit: "sends",
    better: "less",
    least: 0,
    most,
    values: null,
    finished: { least: params.size * kept, most },
    stages: params.size,
  };
}
