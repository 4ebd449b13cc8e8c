import type { Ground } from "../../contract/contract.ts";
import { cm, held } from "../../contract/round.ts";
import { startLine } from "../../targets/list.ts";
import { middleOf } from "./params.ts";
import type { ClosestParams } from "./schema.ts";

const LEAST = 0.3;

export const closestGround: Ground<ClosestParams> = {
  parts: (field, space) => {
    const width = Math.min(field.width, space.width);
    const line = { kind: "line", across: 0, width, role: "band" } as const;
    return [
      ...startLine(space),
      { ...line, id: "near", along: field.near },
      { ...line, id: "far", along: field.far },
      { kind: "spot", id: "jack", along: middleOf(field), across: 0, radius: 0.06, label: "" },
    ];
  },
  pegs: (field) => [
    { id: "near", label: "", distance: field.near, kind: "line" },
    { id: "far", label: "", distance: field.far, kind: "line" },
  ],
  /** Nearer than the mark. */
  probes: (field) => [
    {
      id: "near",
      peg: null,
      ask: {
        kind: "send",
        player: 0,
        from: "start",
        manner: {},
        aim: { kind: "near", turn: 0, past: field.dead ? field.far : null },
        fetch: true,
      },
      counts: (event) => (event.kind === "send" && event.away !== undefined && event.away < field.mark * 1000 ? 1 : 0),
    },
  ],
  moves: "together",
  move: (field, id, { along }) => {
    if (along === undefined) return field;
    if (id === "near") return { ...field, near: held(along, 0.5, field.far - LEAST) };
    if (id === "far") return { ...field, far: held(along, field.near + LEAST, 30) };
    return field;
  },
  add: () => null,
  remove: () => null,
  squeeze: (field, k) => ({ ...field, width: Math.max(0.6, cm(field.width * k)) }),
  swap: (field) => field,
  touchCounts: (field) => field,
};
