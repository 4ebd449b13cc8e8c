import type { Ground } from "../../contract/contract.ts";
import { held } from "../../contract/schema.ts";
import { lineId, lineParts, linePegs, lineProbes, movedLine, nextLine } from "../../targets/lines.ts";
import { added, changed, faced, moved, squeezed, targetParts, targetPegs, targetProbes } from "../../targets/list.ts";
import type { Standing } from "../../targets/target.ts";
import { type BoardParams, MAX_TARGETS } from "./params.ts";

const distances = (spots: readonly { distance: number }[]) => spots.map((spot) => spot.distance);
function changeTarget(params: BoardParams, id: string, change: <T extends Standing>(t: T) => T): BoardParams {
  const { layout: l } = params;
  if (l.kind === "targets") return { ...params, layout: { ...l, targets: changed(l.targets, id, change) } };
  return l.target.id === id ? { ...params, layout: { ...l, target: change(l.target) } } : params;
}

export const boardGround: Ground<BoardParams> = {
  parts: ({ layout: l }, space) =>
    l.kind === "targets"
      ? targetParts(l.targets, space)
      : lineParts(
          l.target,
          distances(l.spots),
          space,
          l.spots.map((spot) => spot.points),
        ),
  pegs: ({ layout: l }) => (l.kind === "targets" ? targetPegs(l.targets) : linePegs(distances(l.spots))),
  probes: ({ layout: l }) =>
    l.kind === "targets"
      ? targetProbes(l.targets.map((target) => target.id))
      : lineProbes(l.target.id, distances(l.spots)),
  moves: "each",
  /** The one target of spots moves aside only. */
  move: (params, id, to) => {
    const { layout: l } = params;
    if (l.kind === "targets") return { ...params, layout: { ...l, targets: moved(l.targets, id, to) } };
    const lines = to.along === undefined ? distances(l.spots) : movedLine(distances(l.spots), id, to.along);
    const there: BoardParams = {
      ...params,
      layout: { ...l, spots: l.spots.map((spot, i) => ({ ...spot, distance: lines[i]! })) },
    };
    const { across } = to;
    return across === undefined ? there : changeTarget(there, id, (t) => ({ ...t, across: held(across, -10, 10) }));
  },
  add: (params, space) => {
    const { layout: l } = params;
    if (l.kind === "targets")
      return l.targets.length >= MAX_TARGETS
        ? null
        : { ...params, layout: { ...l, targets: [...l.targets, { ...added(l.targets, space), points: 1 }] } };
    const next = nextLine(distances(l.spots), space);
    if (l.spots.length >= MAX_TARGETS || next === null) return null;
    const points = l.spots[l.spots.length - 1]!.points;
    return { ...params, layout: { ...l, spots: [...l.spots, { distance: next, points: Math.min(100, points + 1) }] } };
  },
  remove: (params, id) => {
    const { layout: l } = params;
    if (l.kind === "targets")
      return l.targets.length < 2
        ? null
        : { ...params, layout: { ...l, targets: l.targets.filter((target) => target.id !== id) } };
    return l.spots.length < 2
      ? null
      : { ...params, layout: { ...l, spots: l.spots.filter((_, i) => lineId(i) !== id) } };
  },
  squeeze: (params, k) =>
    params.layout.kind === "spots"
      ? params
      : { ...params, layout: { ...params.layout, targets: squeezed(params.layout.targets, k) } },
  swap: (params, id, face) => changeTarget(params, id, (t) => faced(t, face)),
  touchCounts: (params, id) => changeTarget(params, id, (t) => ({ ...t, counts: ["touch"] })),
};
