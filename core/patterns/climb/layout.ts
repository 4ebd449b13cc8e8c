import type { Ground, Peg, Probe } from "../../contract/contract.ts";
import { held } from "../../contract/schema.ts";
import { changed, faced, moved, squeezed, targetParts, targetPegs, targetProbes } from "../../targets/list.ts";
import { LEAST_GAP, type Standing, targetPart } from "../../targets/target.ts";
import type { Part } from "../../yard/parts.ts";
import { addPeg, removePeg } from "./knobs.ts";
import type { ClimbParams } from "./params.ts";

/** Room behind the one target of a line ladder, metres. */
const BEHIND = 0.5;
const LINE_WIDTH = 1.2;

/** Targets in front of one line; or, where the line moves, one target near the far end and a line a level. */
function parts({ ladder }: ClimbParams, space: { length: number; width: number }): Part[] {
  if (ladder.kind === "targets") return targetParts(ladder.targets, space);
  const target = Math.max(space.length - BEHIND, ...ladder.lines);
  return [
    ...ladder.lines.map(
      (d, i): Part => ({
        kind: "line",
        id: `l${i + 1}`,
        along: target - d,
        across: 0,
        width: Math.min(LINE_WIDTH, space.width),
        role: "start",
        label: `${i + 1}`,
      }),
    ),
    { kind: "person", id: "sender", along: target - ladder.lines[0]!, across: 0, role: "sender" },
    targetPart(ladder.target, target),
  ];
}

function pegs({ ladder }: ClimbParams): Peg[] {
  return ladder.kind === "targets"
    ? targetPegs(ladder.targets)
    : ladder.lines.map((d, i) => ({ id: `l${i + 1}`, label: `${i + 1}`, distance: d, kind: "line" }));
}

/** Lines keep their order: one stops 5 cm before its neighbour. */
function moveLine(lines: readonly number[], id: string, metres: number): readonly number[] {
  const i = Number(id.slice(1)) - 1;
  const low = i > 0 ? lines[i - 1]! + LEAST_GAP : 0.3;
  const high = i < lines.length - 1 ? lines[i + 1]! - LEAST_GAP : 30;
  return lines.map((d, k) => (k === i ? held(metres, low, high) : d));
}

function changeTarget(p: ClimbParams, id: string, change: <T extends Standing>(t: T) => T): ClimbParams {
  const { ladder } = p;
  if (ladder.kind === "line")
    return ladder.target.id === id ? { ...p, ladder: { ...ladder, target: change(ladder.target) } } : p;
  return { ...p, ladder: { ...ladder, targets: changed(ladder.targets, id, change) } };
}

/** Under each peg: the chance to hit that target, or the one target from that line. */
function probes({ ladder }: ClimbParams): Probe[] {
  if (ladder.kind === "targets") return targetProbes(ladder.targets.map((t) => t.id));
  const { id } = ladder.target;
  return ladder.lines.map((_, i) => {
    const [probe] = targetProbes([id]);
    return { ...probe!, id: `l${i + 1}`, peg: `l${i + 1}`, ask: { ...probe!.ask, from: `l${i + 1}` } };
  });
}

export const climbGround: Ground<ClimbParams> = {
  parts,
  pegs,
  probes,
  moves: "each",
  /** The target of a line ladder moves aside only. */
  move: (p, id, to) => {
    const { ladder } = p;
    if (ladder.kind === "targets") return { ...p, ladder: { ...ladder, targets: moved(ladder.targets, id, to) } };
    const lines = to.along === undefined ? ladder.lines : moveLine(ladder.lines, id, to.along);
    const there: ClimbParams = { ...p, ladder: { ...ladder, lines: [...lines] } };
    const { across } = to;
    return across === undefined ? there : changeTarget(there, id, (t) => ({ ...t, across: held(across, -10, 10) }));
  },
  add: addPeg,
  remove: removePeg,
  squeeze: (p, k) =>
    p.ladder.kind === "line" ? p : { ...p, ladder: { ...p.ladder, targets: squeezed(p.ladder.targets, k) } },
  swap: (p, id, face) => changeTarget(p, id, (t) => faced(t, face)),
  touchCounts: (p, id) => changeTarget(p, id, (t) => ({ ...t, counts: ["touch"] })),
};
