import type { Ground, Peg, Probe } from "../../contract/contract.ts";
import { held } from "../../contract/schema.ts";
import { lineParts, linePegs, lineProbes, movedLine } from "../../targets/lines.ts";
import {
  changed,
  faced,
  moved,
  squeezed,
  targetParts,
  targetPegs,
  targetProbes,
  untilHit,
} from "../../targets/list.ts";
import type { Standing } from "../../targets/target.ts";
import type { Part } from "../../yard/parts.ts";
import { addPeg, removePeg } from "./knobs.ts";
import type { ClimbParams } from "./params.ts";

/** Targets in front of one line; or, where the line moves, one target near the far end and a line a level. */
const parts = ({ ladder }: ClimbParams, space: { length: number; width: number }): Part[] =>
  ladder.kind === "targets" ? targetParts(ladder.targets, space) : lineParts(ladder.target, ladder.lines, space);
const pegs = ({ ladder }: ClimbParams): Peg[] =>
  ladder.kind === "targets" ? targetPegs(ladder.targets) : linePegs(ladder.lines);

function changeTarget(p: ClimbParams, id: string, change: <T extends Standing>(t: T) => T): ClimbParams {
  const { ladder } = p;
  if (ladder.kind === "line")
    return ladder.target.id === id ? { ...p, ladder: { ...ladder, target: change(ladder.target) } } : p;
  return { ...p, ladder: { ...ladder, targets: changed(ladder.targets, id, change) } };
}

/** Under each peg: the chance to hit that target, or the one target from that line. */
const probes = ({ ladder }: ClimbParams): Probe[] =>
  untilHit(
    ladder.kind === "targets"
      ? targetProbes(ladder.targets.map((t) => t.id))
      : lineProbes(ladder.target.id, ladder.lines),
  );

export const climbGround: Ground<ClimbParams> = {
  parts,
  pegs,
  probes,
  moves: "each",
  /** The target of a line ladder moves aside only. */
  move: (p, id, to) => {
    const { ladder } = p;
    if (ladder.kind === "targets") return { ...p, ladder: { ...ladder, targets: moved(ladder.targets, id, to) } };
    const lines = to.along === undefined ? ladder.lines : movedLine(ladder.lines, id, to.along);
    const there: ClimbParams = { ...p, ladder: { ...ladder, lines } };
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
