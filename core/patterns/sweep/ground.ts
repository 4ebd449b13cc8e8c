import type { Ground } from "../../contract/contract.ts";
import {
  added,
  changed,
  faced,
  moved,
  squeezed,
  targetParts,
  targetPegs,
  targetProbes,
  untilHit,
} from "../../targets/list.ts";
import { FEWEST_TARGETS, MAX_TARGETS } from "./limits.ts";
import type { SweepParams } from "./schema.ts";

export const sweepGround: Ground<SweepParams> = {
  parts: (params, space) =>
    targetParts(
      params.score === "points" ? params.targets : params.targets.map(({ points: _, ...target }) => target),
      space,
    ),
  pegs: (params) => targetPegs(params.targets),
  probes: (params) => untilHit(targetProbes(params.targets.map((target) => target.id))),
  moves: "each",
  move: (params, id, to) => ({ ...params, targets: moved(params.targets, id, to) }),
  add: (params, space) =>
    params.targets.length >= MAX_TARGETS
      ? null
      : { ...params, targets: [...params.targets, { ...added(params.targets, space), points: 1 }] },
  remove: (params, id) =>
    params.targets.length <= FEWEST_TARGETS
      ? null
      : { ...params, targets: params.targets.filter((target) => target.id !== id) },
  squeeze: (params, k) => ({ ...params, targets: squeezed(params.targets, k) }),
  swap: (params, id, face) => ({ ...params, targets: changed(params.targets, id, (target) => faced(target, face)) }),
  touchCounts: (params, id) => ({
    ...params,
    targets: changed(params.targets, id, (target) => ({ ...target, counts: ["touch"] })),
  }),
};
