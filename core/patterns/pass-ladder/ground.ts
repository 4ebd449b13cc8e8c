import type { Ground } from "../../contract/contract.ts";
import { held } from "../../contract/round.ts";
import { lineIndex, movedLine, nextLine } from "../../targets/lines.ts";
import { faced, startLine } from "../../targets/list.ts";
import { targetPart } from "../../targets/target.ts";
import { wayOf } from "../../targets/ways.ts";
import type { Part } from "../../yard/parts.ts";
import { MAX_MARKS, markId } from "./limits.ts";
import { aimAt } from "./rules.ts";
import type { PassParams } from "./schema.ts";

const MARK_WIDTH = 1;
/** The target that moves from mark to mark. */
export const CONTAINER = "container";

export const passGround: Ground<PassParams> = {
  parts: (params, space) => [
    ...startLine(space),
    ...params.marks.map(
      (mark, i): Part => ({
        kind: "line",
        id: params.way.kind === "container" ? `at-${markId(i)}` : markId(i),
        along: mark,
        across: 0,
        width: Math.min(MARK_WIDTH, space.width),
        role: "mark",
        label: `${i + 1}`,
      }),
    ),
    ...(params.way.kind === "pair"
      ? [{ kind: "person", id: "receiver", along: params.marks[0]!, across: 0, role: "receiver" } satisfies Part]
      : []),
    ...(params.way.kind === "container"
      ? params.marks.map((mark, i): Part => {
          const { target } = params.way as Extract<PassParams["way"], { kind: "container" }>;
          const part = targetPart({ ...target, id: markId(i) }, mark);
          return { ...part, group: CONTAINER } as Part;
        })
      : []),
  ],
  pegs: (params) =>
    params.marks.map((distance, i) => ({ id: markId(i), label: `${i + 1}`, distance, kind: "line" as const })),
  probes: (params) =>
    params.marks.map((_, i) => ({
      id: markId(i),
      peg: markId(i),
      ask: {
        kind: "send",
        player: 0,
        from: "start",
        manner: wayOf(params.ways, i),
        aim: aimAt(params, i),
        fetch: true,
      },
      untilHit: true as const,
      counts: (event) => (event.kind === "send" && (event.rest === markId(i) || event.hit === markId(i)) ? 1 : 0),
    })),
  moves: "each",
  move: (params, id, { along, across }) => {
    const there = along === undefined ? params : { ...params, marks: movedLine(params.marks, id, along) };
    if (across === undefined || there.way.kind !== "container") return there;
    return { ...there, way: { ...there.way, target: { ...there.way.target, across: held(across, -10, 10) } } };
  },
  add: (params, space) => {
    const next = nextLine(params.marks, space);
    return params.marks.length >= MAX_MARKS || next === null ? null : { ...params, marks: [...params.marks, next] };
  },
  remove: (params, id) =>
    params.marks.length < 2 || !id.startsWith("m")
      ? null
      : { ...params, marks: params.marks.filter((_, i) => i !== lineIndex(id)) },
  squeeze: (params) => params,
  swap: (params, _id, face) =>
    params.way.kind === "container"
      ? { ...params, way: { ...params.way, target: faced(params.way.target, face) } }
      : params,
  touchCounts: (params) =>
    params.way.kind === "container"
      ? { ...params, way: { ...params.way, target: { ...params.way.target, counts: ["touch"] } } }
      : params,
};
