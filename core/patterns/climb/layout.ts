import type { Ground, Peg, Probe } from "../../contract/contract.ts";
import { held } from "../../contract/round.ts";
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
import { addPeg, removePeg } from "./pegs.ts";
import type { ClimbParams } from "./schema.ts";

/** Targets in front of one line; or, if the line moves, one target near the far end and a line for each level. */
const parts = ({ ladder }: ClimbParams, space: { length: number; width: number }): Part[] =>
  ladder.kind === "targets" ? targetParts(ladder.targets, space) : lineParts(ladder.target, ladder.lines, space);
const pegs = ({ ladder }: ClimbParams): Peg[] =>
  ladder.kind === "targets" ? targetPegs(ladder.targets) : linePegs(ladder.lines);

function changeTarget(params: ClimbParams, id: string, change: <T extends Standing>(t: T) => T): ClimbParams {
  const { ladder } = params;
  if (ladder.kind === "line")
    return ladder.target.id === id ? { ...params, ladder: { ...ladder, target: change(ladder.target) } } : params;
  return { ...params, ladder: { ...ladder, targets: changed(ladder.targets, id, change) } };
}

/** For each peg: the chance to hit that target, or the only target from that line. */
const probes = ({ ladder }: ClimbParams): Probe[] =>
  untilHit(
    ladder.kind === "targets"
      ? targetProbes(ladder.targets.map((target) => target.id))
      : lineProbes(ladder.target.id, ladder.lines),
  );

export const climbGround: Ground<ClimbParams> = {
  parts,
  pegs,
  probes,
  moves: "each",
  /** The target of a ladder of lines moves sideways only. */
  move: (params, id, to) => {
    const { ladder } = params;
    if (ladder.kind === "targets") return { ...params, ladder: { ...ladder, targets: moved(ladder.targets, id, to) } };
    const lines = to.along === undefined ? ladder.lines : movedLine(ladder.lines, id, to.along);
    const there: ClimbParams = { ...params, ladder: { ...ladder, lines } };
    const { across } = to;
    return across === undefined ? there : changeTarget(there, id, (t) => ({ ...t, across: held(across, -10, 10) }));
  },
  add: addPeg,
  remove: removePeg,
  squeeze: (params, k) =>
    params.ladder.kind === "line"
      ? params
      : { ...params, ladder: { ...params.ladder, targets: squeezed(params.ladder.targets, k) } },
  swap: (params, id, face) => changeTarget(params, id, (t) => faced(t, face)),
  touchCounts: (params, id) => changeTarget(params, id, (t) => ({ ...t, counts: ["touch"] })),
};
