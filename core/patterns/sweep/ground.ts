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
import { FEWEST_TARGETS, MAX_TARGETS, type SweepParams } from "./params.ts";

export const sweepGround: Ground<SweepParams> = {
  parts: (p, space) => targetParts(p.score === "points" ? p.targets : p.targets.map(({ points: _, ...t }) => t), space),
  pegs: (p) => targetPegs(p.targets),
  probes: (p) => untilHit(targetProbes(p.targets.map((t) => t.id))),
  moves: "each",
  move: (p, id, to) => ({ ...p, targets: moved(p.targets, id, to) }),
  add: (p, space) =>
    p.targets.length >= MAX_TARGETS
      ? null
      : { ...p, targets: [...p.targets, { ...added(p.targets, space), points: 1 }] },
  remove: (p, id) =>
    p.targets.length <= FEWEST_TARGETS ? null : { ...p, targets: p.targets.filter((t) => t.id !== id) },
  squeeze: (p, k) => ({ ...p, targets: squeezed(p.targets, k) }),
  swap: (p, id, face) => ({ ...p, targets: changed(p.targets, id, (t) => faced(t, face)) }),
  touchCounts: (p, id) => ({ ...p, targets: changed(p.targets, id, (t) => ({ ...t, counts: ["touch"] })) }),
};
