import type { Ground } from "../../contract/contract.ts";
import { targetsGround } from "../../targets/ground.ts";
import { MAX_RUNGS } from "./limits.ts";
import type { ClimbParams } from "./schema.ts";

type Ladder<K extends ClimbParams["ladder"]["kind"]> = Extract<ClimbParams["ladder"], { kind: K }>;
const withLines = (params: ClimbParams, change: (lines: number[]) => number[]): ClimbParams => {
  const ladder = params.ladder as Ladder<"line">;
  return { ...params, ladder: { ...ladder, lines: change(ladder.lines) } };
};

/** Targets in front of one line; or, if the line moves, one target near the far end and a line for each level. */
export const climbGround: Ground<ClimbParams> = targetsGround<ClimbParams, Ladder<"targets">["targets"][number]>({
  read: ({ ladder }) => (ladder.kind === "targets" ? ladder.targets : ladder),
  targets: (params, targets) => ({ ...params, ladder: { ...(params.ladder as Ladder<"targets">), targets } }),
  least: 1,
  most: MAX_RUNGS,
  begin: (target) => target,
  untilHit: true,
  lines: {
    target: (params, target) => ({ ...params, ladder: { ...(params.ladder as Ladder<"line">), target } }),
    move: (params, lines) => withLines(params, () => [...lines]),
    add: (params, line) => withLines(params, (lines) => [...lines, line]),
    remove: (params, index) => withLines(params, (lines) => lines.filter((_, i) => i !== index)),
  },
});
