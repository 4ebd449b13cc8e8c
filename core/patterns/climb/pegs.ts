import type { Space } from "../../contract/contract.ts";
import { lineId, nextLine } from "../../targets/lines.ts";
import { added } from "../../targets/list.ts";
import { MAX_RUNGS } from "./limits.ts";
import type { ClimbParams } from "./schema.ts";

export function addPeg(params: ClimbParams, space: Space): ClimbParams | null {
  const { ladder } = params;
  if (ladder.kind === "line") {
    const next = nextLine(ladder.lines, space);
    return ladder.lines.length >= MAX_RUNGS || next === null
      ? null
      : { ...params, ladder: { ...ladder, lines: [...ladder.lines, next] } };
  }
  if (ladder.targets.length >= MAX_RUNGS) return null;
  return { ...params, ladder: { ...ladder, targets: [...ladder.targets, added(ladder.targets, space)] } };
}

export function removePeg(params: ClimbParams, id: string): ClimbParams | null {
  const { ladder } = params;
  if (ladder.kind === "line")
    return ladder.lines.length < 2
      ? null
      : { ...params, ladder: { ...ladder, lines: ladder.lines.filter((_, i) => lineId(i) !== id) } };
  return ladder.targets.length < 2
    ? null
    : { ...params, ladder: { ...ladder, targets: ladder.targets.filter((target) => target.id !== id) } };
}
