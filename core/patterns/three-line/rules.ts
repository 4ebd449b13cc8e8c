import type { Ask } from "../../asks/ask.ts";
import { type Possible, type Refusal, refuse } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import type { GoRules, StepResult, Sum } from "../../match/matched.ts";
import type { ThreeLineParams } from "./params.ts";

/** One grid of one side: pieces that lie in a square of their own. */
export interface Grid {
  pieces: readonly { player: number; place: string }[];
  sends: number;
}

/** `c<row><column>`, row 1 the near one. */
export const cellId = (row: number, column: number): string => `c${row}${column}`;
export const cellsOf = (p: Pick<ThreeLineParams, "size">): readonly string[] => gridOf(p).cells;

/** Every line of a grid: rows, columns, and both slanting ones. */
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
/** The squares and lines of each size: asked at every step. Squares as bits, too, by their number in the list. */
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
  const bits = new Map(cells.map((c, i) => [c, 1 << i]));
  const lineBits = lines.map((line) => line.reduce((n, c) => n | bits.get(c)!, 0));
  return { cells, lines, bits, lineBits, all: (1 << cells.length) - 1 };
}
const grids: Readonly<Record<number, Squares>> = Object.fromEntries([3, 4].map((size) => [size, gridIn(size)]));
export const gridOf = ({ size }: Pick<ThreeLineParams, "size">): Squares => grids[size]!;
/** So many bits are set. */
function count(bits: number): number {
  let n = 0;
  for (let left = bits; left !== 0; left &= left - 1) n++;
  return n;
}
/** The squares that some pieces lie in, as bits. */
export function taken({ bits }: Squares, pieces: readonly { place: string }[]): number {
  let squares = 0;
  for (const x of pieces) squares |= bits.get(x.place) ?? 0;
  return squares;
}
/** The most of some squares that lie in one line. */
export const inLine = ({ lineBits }: Squares, squares: number): number =>
  Math.max(...lineBits.map((line) => count(line & squares)));
const longest = (p: ThreeLineParams, g: Grid) => inLine(gridOf(p), taken(gridOf(p), g.pieces));
const full = (p: ThreeLineParams, g: Grid) => longest(p, g) === p.size;
const isFree = (p: ThreeLineParams, g: Grid, place: string) => {
  const grid = gridOf(p);
  return ((grid.bits.get(place) ?? 0) & ~taken(grid, g.pieces)) !== 0;
};
const free = (p: ThreeLineParams, g: Grid) => {
  const grid = gridOf(p);
  const squares = taken(grid, g.pieces);
  return grid.cells.filter((_, i) => (squares & (1 << i)) === 0);
};

function asks(p: ThreeLineParams, g: Grid, player: number): Ask[] {
  const among = cellsOf(p);
  const open = free(p, g);
  const send: Ask = {
    kind: "send",
    player,
    from: "start",
    manner: {},
    aim: { kind: "cells", want: open, among, free: open },
    fetch: false,
  };
  if (g.pieces.length === 0) return [send];
  const pieces = g.pieces.map((x, piece) => ({ piece, player: x.player, place: x.place }));
  return [send, { kind: "move", player, optional: true, pieces, places: [...among, "out"] }];
}

function step(p: ThreeLineParams, g: Grid, e: GameEvent): StepResult<Grid> | Refusal {
  switch (e.kind) {
    case "send": {
      if (e.rest === undefined) return refuse("refused.notInGame", { kind: e.kind });
      if (e.rest !== "out" && !cellsOf(p).includes(e.rest)) return refuse("refused.unknownCell", { cell: e.rest });
      const lands = isFree(p, g, e.rest);
      const pieces = lands ? [...g.pieces, { player: 0, place: e.rest }] : g.pieces;
      return after(p, { pieces, sends: g.sends + 1 }, lands ? "hit" : "miss");
    }
    case "move": {
      const piece = g.pieces[e.piece];
      if (!piece) return refuse("refused.noSuchPiece", { piece: e.piece + 1 });
      if (e.place !== "out" && !cellsOf(p).includes(e.place)) return refuse("refused.unknownCell", { cell: e.place });
      // In a free square it counts where it ends; outside or on another it goes back to the hand.
      const rest = g.pieces.filter((_, i) => i !== e.piece);
      const lies = e.place === piece.place || isFree(p, g, e.place);
      const pieces = lies ? g.pieces.map((x, i) => (i === e.piece ? { ...x, place: e.place } : x)) : rest;
      return after(p, { ...g, pieces }, "on");
    }
    default:
      return refuse("refused.notInGame", { kind: e.kind });
  }
}
const after = (p: ThreeLineParams, go: Grid, went: "hit" | "miss" | "on"): StepResult<Grid> => ({
  go,
  after: full(p, go) || go.sends >= p.sends ? "end" : went,
});

const TOP = 1_000_000;
function sum(p: ThreeLineParams, g: Grid): Sum {
  const stage = longest(p, g);
  const finished = stage === p.size;
  return {
    value: g.sends,
    unit: "sends",
    better: "less",
    rank: finished ? TOP - g.sends : stage,
    working: "",
    sends: g.sends,
    stage,
    stages: p.size,
    finished,
  };
}

export const threeLineGo: GoRules<ThreeLineParams, Grid> = {
  begin: () => ({ pieces: [], sends: 0 }),
  asks,
  step,
  clock: () => null,
  sum,
  key: (_, g) =>
    `${g.pieces
      .map((x) => x.place)
      .sort()
      .join(",")} ${g.sends}`,
  now: (p, g) => ({ key: "threeLine.send", params: { send: g.sends + 1, of: p.sends, size: p.size } }),
  done: (_, g) => g.pieces.map((x) => x.place),
  ended: (p, { finished }) => ({
    key: finished ? "threeLine.end.line" : "threeLine.end.spent",
    params: { size: p.size },
  }),
  together: "share",
};

export function possible(p: ThreeLineParams, m: Match): Possible {
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  const most = p.sends * kept;
  return {
    unit: "sends",
    better: "less",
    least: 0,
    most,
    values: null,
    finished: { least: p.size * kept, most },
    stages: p.size,
  };
}
