import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/schema.ts";
import { startLine } from "../../targets/list.ts";
import type { Part } from "../../yard/parts.ts";
import type { SwapSquareParams } from "./params.ts";

/** The near edge of the square is what moves. */
const SQUARE = "square";
export const cellId = (i: number): string => `s${i + 1}`;

/** A line, and a square of so many places by as many. */
export const squareGround: Ground<SwapSquareParams> = {
  parts: ({ n, cell, distance }, space) => [
    ...startLine(space),
    { kind: "line", id: SQUARE, along: distance, across: 0, width: n * cell, role: "mark" },
    ...Array.from(
      { length: n * n },
      (_, i): Part => ({
        kind: "cell",
        id: cellId(i),
        along: cm(distance + (Math.floor(i / n) + 0.5) * cell),
        across: cm(((i % n) - (n - 1) / 2) * cell),
        depth: cell,
        width: cell,
        label: `${i + 1}`,
      }),
    ),
  ],
  pegs: (p) => [{ id: SQUARE, label: "", distance: p.distance, kind: "line" }],
  // Nothing is sent: no chance hangs on where it lies, only how long a trip takes.
  probes: () => [],
  moves: "each",
  move: (p, id, { along }) => (id === SQUARE && along !== undefined ? { ...p, distance: held(along, 0.5, 15) } : p),
  add: () => null,
  remove: () => null,
  squeeze: (p, k) => ({ ...p, cell: Math.max(0.15, cm(p.cell * k)) }),
  swap: (p) => p,
  touchCounts: (p) => p,
};
