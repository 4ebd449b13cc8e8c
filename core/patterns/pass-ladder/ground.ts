import type { Ground } from "../../contract/contract.ts";
import { held } from "../../contract/schema.ts";
import { lineIndex, movedLine, nextLine } from "../../targets/lines.ts";
import { faced, startLine } from "../../targets/list.ts";
import { targetPart } from "../../targets/target.ts";
import { wayOf } from "../../targets/ways.ts";
import type { Part } from "../../yard/parts.ts";
import { MAX_MARKS, markId, type PassParams } from "./params.ts";
import { aimAt } from "./rules.ts";

const MARK_WIDTH = 1;
/** One thing that moves from mark to mark. */
export const CONTAINER = "container";

export const passGround: Ground<PassParams> = {
  parts: (p, space) => [
    ...startLine(space),
    ...p.marks.map(
      (d, i): Part => ({
        kind: "line",
        id: p.way.kind === "container" ? `at-${markId(i)}` : markId(i),
        along: d,
        across: 0,
        width: Math.min(MARK_WIDTH, space.width),
        role: "mark",
        label: `${i + 1}`,
      }),
    ),
    ...(p.way.kind === "pair"
      ? [{ kind: "person", id: "receiver", along: p.marks[0]!, across: 0, role: "receiver" } satisfies Part]
      : []),
    ...(p.way.kind === "container"
      ? p.marks.map((d, i): Part => {
          const { target } = p.way as Extract<PassParams["way"], { kind: "container" }>;
          const part = targetPart({ ...target, id: markId(i) }, d);
          return { ...part, group: CONTAINER } as Part;
        })
      : []),
  ],
  pegs: (p) => p.marks.map((distance, i) => ({ id: markId(i), label: `${i + 1}`, distance, kind: "line" as const })),
  probes: (p) =>
    p.marks.map((_, i) => ({
      id: markId(i),
      peg: markId(i),
      ask: { kind: "send", player: 0, from: "start", manner: wayOf(p.ways, i), aim: aimAt(p, i), fetch: true },
      untilHit: true as const,
      counts: (e) => (e.kind === "send" && (e.rest === markId(i) || e.hit === markId(i)) ? 1 : 0),
    })),
  moves: "each",
  move: (p, id, { along, across }) => {
    const there = along === undefined ? p : { ...p, marks: movedLine(p.marks, id, along) };
    if (across === undefined || there.way.kind !== "container") return there;
    return { ...there, way: { ...there.way, target: { ...there.way.target, across: held(across, -10, 10) } } };
  },
  add: (p, space) => {
    const next = nextLine(p.marks, space);
    return p.marks.length >= MAX_MARKS || next === null ? null : { ...p, marks: [...p.marks, next] };
  },
  remove: (p, id) =>
    p.marks.length < 2 || !id.startsWith("m") ? null : { ...p, marks: p.marks.filter((_, i) => i !== lineIndex(id)) },
  squeeze: (p) => p,
  swap: (p, _id, face) =>
    p.way.kind === "container" ? { ...p, way: { ...p.way, target: faced(p.way.target, face) } } : p,
  touchCounts: (p) =>
    p.way.kind === "container" ? { ...p, way: { ...p.way, target: { ...p.way.target, counts: ["touch"] } } } : p,
};
