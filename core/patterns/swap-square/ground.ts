import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import { startLine } from "../../targets/list.ts";
import type { Part } from "../../yard/parts.ts";
import type { SwapSquareParams } from "./schema.ts";

/** The near edge of the square is the peg. */
const SQUARE = "square";
export const cellId = (i: number): string => `s${i + 1}`;

/** A line, and a square grid of places. */
export const squareGround: Ground<SwapSquareParams> = {
  parts: ({ n: count, cell, distance }, space) => [
    ...startLine(space),
    { kind: "line", id: SQUARE, along: distance, across: 0, width: count * cell, role: "mark" },
    ...Array.from(
      { length: count * count },
      (_, i): Part => ({
        kind: "cell",
        id: cellId(i),
        along: cm(distance + (Math.floor(i / count) + 0.5) * cell),
        across: cm(((i % count) - (count - 1) / 2) * cell),
        depth: cell,
        width: cell,
        label: `${i + 1}`,
      }),
    ),
  ],
  pegs: (params) => [{ id: SQUARE, label: "", distance: params.distance, kind: "line" }],
  // Nothing is sent. Where the square lies affects no chance, only how long a trip takes.
  probes: () => [],
  moves: "each",
  move: (params, id, { along }) =>
    id === SQUARE && along !== undefined ? { ...params, distance: held(along, 0.5, 15) } : params,
  add: () => null,
  remove: () => null,
  squeeze: (params, k) => ({ ...params, cell: Math.max(0.15, cm(params.cell * k)) }),
  swap: (params) => params,
  touchCounts: (params) => params,
};
