import type { AimOf } from "../../asks/ask.ts";
import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/schema.ts";
import type { Part } from "../../yard/parts.ts";
import type { ThreeLineParams } from "./params.ts";
import { cellId, cellsOf } from "./rules.ts";

/** The near edge of the grid is what moves. */
const GRID = "grid";
const LINE_WIDTH = 1.2;

function parts(p: ThreeLineParams, space: { length: number; width: number }): Part[] {
  const { size, cell, distance } = p;
  return [
    { kind: "line", id: "start", along: 0, across: 0, width: Math.min(LINE_WIDTH, space.width), role: "start" },
    { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
    { kind: "line", id: GRID, along: distance, across: 0, width: size * cell, role: "mark" },
    ...Array.from({ length: size * size }, (_, i): Part => {
      const [row, column] = [Math.floor(i / size), i % size];
      return {
        kind: "cell",
        id: cellId(row + 1, column + 1),
        along: distance + (row + 0.5) * cell,
        across: (column - (size - 1) / 2) * cell,
        depth: cell,
        width: cell,
        label: `${i + 1}`,
      };
    }),
  ];
}
/** The square that a chance is shown for: the middle one, the nearer of two. */
const middleOf = (p: ThreeLineParams): string => cellId(Math.ceil(p.size / 2), Math.ceil(p.size / 2));

export const threeLineGround: Ground<ThreeLineParams> = {
  parts,
  pegs: (p) => [{ id: GRID, label: "", distance: p.distance, kind: "line" }],
  probes: (p) => {
    const want = middleOf(p);
    const aim: AimOf<"cells"> = { kind: "cells", want: [want], among: cellsOf(p), free: cellsOf(p) };
    return [
      {
        id: GRID,
        peg: GRID,
        ask: { kind: "send", player: 0, from: "start", manner: {}, aim, fetch: false },
        counts: (e) => (e.kind === "send" && e.rest === want ? 1 : 0),
      },
    ];
  },
  moves: "each",
  move: (p, id, { along }) => (id === GRID && along !== undefined ? { ...p, distance: held(along, 0.3, 30) } : p),
  add: () => null,
  remove: () => null,
  squeeze: (p, k) => ({ ...p, cell: Math.max(0.2, cm(p.cell * k)) }),
  swap: (p) => p,
  touchCounts: (p) => p,
};
