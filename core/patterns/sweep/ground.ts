import type { Ground } from "../../contract/contract.ts";
import { targetsGround } from "../../targets/ground.ts";
import { targetParts } from "../../targets/list.ts";
import { FEWEST_TARGETS, MAX_TARGETS } from "./limits.ts";
import type { SweepParams } from "./schema.ts";

export const sweepGround: Ground<SweepParams> = {
  ...targetsGround<SweepParams, SweepParams["targets"][number]>({
    read: (params) => params.targets,
    targets: (params, targets) => ({ ...params, targets }),
    least: FEWEST_TARGETS,
    most: MAX_TARGETS,
    begin: (target) => ({ ...target, points: 1 }),
    untilHit: true,
  }),
  // Points are written on targets only if they count.
  parts: (params, space) =>
    targetParts(
      params.score === "points" ? params.targets : params.targets.map(({ points: _, ...target }) => target),
      space,
    ),
};
