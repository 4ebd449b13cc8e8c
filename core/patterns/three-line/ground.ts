import type { AimOf } from "../../asks/ask.ts";
import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import type { Part } from "../../yard/parts.ts";
import { cellId, cellsOf } from "./rules.ts";
import type { ThreeLineParams } from "./schema.ts";

/** The near edge of the grid is the peg. */
const GRID = "grid";
const LINE_WIDTH = 1.2;

function parts(params: ThreeLineParams, space: { length: number; width: number }): Part[] {
  const { size, cell, distance } = params;
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
/** The square whose chance is shown: the middle one, or the nearer of two. */
const middleOf = (params: ThreeLineParams): string => cellId(Math.ceil(params.size / 2), Math.ceil(params.size / 2));

export const threeLineGround: Ground<ThreeLineParams> = {
  parts,
  pegs: (params) => [{ id: GRID, label: "", distance: params.distance, kind: "line" }],
  probes: (params) => {
    const want = middleOf(params);
    const aim: AimOf<"cells"> = { kind: "cells", want: [want], among: cellsOf(params), free: cellsOf(params) };
    return [
      {
        id: GRID,
        peg: GRID,
        ask: { kind: "send", player: 0, from: "start", manner: {}, aim, fetch: false },
        counts: (event) => (event.kind === "send" && event.rest === want ? 1 : 0),
      },
    ];
  },
  moves: "each",
  move: (params, id, { along }) =>
    id === GRID && along !== undefined ? { ...params, distance: held(along, 0.3, 30) } : params,
  add: () => null,
  remove: () => null,
  squeeze: (params, k) => ({ ...params, cell: Math.max(0.2, cm(params.cell * k)) }),
  swap: (params) => params,
  touchCounts: (params) => params,
};
