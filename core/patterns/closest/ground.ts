import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/schema.ts";
import { startLine } from "../../targets/list.ts";
import { type ClosestParams, middleOf } from "./params.ts";

const LEAST = 0.3;

export const closestGround: Ground<ClosestParams> = {
  parts: (p, space) => {
    const width = Math.min(p.width, space.width);
    const line = { kind: "line", across: 0, width, role: "band" } as const;
    return [
      ...startLine(space),
      { ...line, id: "near", along: p.near },
      { ...line, id: "far", along: p.far },
      { kind: "spot", id: "jack", along: middleOf(p), across: 0, radius: 0.06, label: "" },
    ];
  },
  pegs: (p) => [
    { id: "near", label: "", distance: p.near, kind: "line" },
    { id: "far", label: "", distance: p.far, kind: "line" },
  ],
  /** Nearer than the mark. */
  probes: (p) => [
    {
      id: "near",
      peg: null,
      ask: {
        kind: "send",
        player: 0,
        from: "start",
        manner: {},
        aim: { kind: "near", turn: 0, past: p.dead ? p.far : null },
        fetch: true,
      },
      counts: (e) => (e.kind === "send" && e.away !== undefined && e.away < p.mark * 1000 ? 1 : 0),
    },
  ],
  moves: "together",
  move: (p, id, { along }) => {
    if (along === undefined) return p;
    if (id === "near") return { ...p, near: held(along, 0.5, p.far - LEAST) };
    if (id === "far") return { ...p, far: held(along, p.near + LEAST, 30) };
    return p;
  },
  add: () => null,
  remove: () => null,
  squeeze: (p, k) => ({ ...p, width: Math.max(0.6, cm(p.width * k)) }),
  swap: (p) => p,
  touchCounts: (p) => p,
};
