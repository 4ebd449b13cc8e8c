import type { Ground } from "../../contract/contract.ts";
import { held } from "../../contract/round.ts";
import { lineId, lineParts, linePegs, lineProbes, movedLine, nextLine } from "../../targets/lines.ts";
import { added, changed, faced, moved, squeezed, targetParts, targetPegs, targetProbes } from "../../targets/list.ts";
import type { Standing } from "../../targets/target.ts";
import { MAX_TARGETS } from "./limits.ts";
import type { BoardParams } from "./schema.ts";

const distances = (spots: readonly { distance: number }[]) => spots.map((spot) => spot.distance);
function changeTarget(params: BoardParams, id: string, change: <T extends Standing>(t: T) => T): BoardParams {
  const { layout } = params;
  if (layout.kind === "targets")
    return { ...params, layout: { ...layout, targets: changed(layout.targets, id, change) } };
  return layout.target.id === id ? { ...params, layout: { ...layout, target: change(layout.target) } } : params;
}

export const boardGround: Ground<BoardParams> = {
  parts: ({ layout }, space) =>
    layout.kind === "targets"
      ? targetParts(layout.targets, space)
      : lineParts(
          layout.target,
          distances(layout.spots),
          space,
          layout.spots.map((spot) => spot.points),
        ),
  pegs: ({ layout }) => (layout.kind === "targets" ? targetPegs(layout.targets) : linePegs(distances(layout.spots))),
  probes: ({ layout }) =>
    layout.kind === "targets"
      ? targetProbes(layout.targets.map((target) => target.id))
      : lineProbes(layout.target.id, distances(layout.spots)),
  moves: "each",
  /** The only target of a board of spots moves sideways only. */
  move: (params, id, to) => {
    const { layout } = params;
    if (layout.kind === "targets") return { ...params, layout: { ...layout, targets: moved(layout.targets, id, to) } };
    const lines = to.along === undefined ? distances(layout.spots) : movedLine(distances(layout.spots), id, to.along);
    const there: BoardParams = {
      ...params,
      layout: { ...layout, spots: layout.spots.map((spot, i) => ({ ...spot, distance: lines[i]! })) },
    };
    const { across } = to;
    return across === undefined ? there : changeTarget(there, id, (t) => ({ ...t, across: held(across, -10, 10) }));
  },
  add: (params, space) => {
    const { layout } = params;
    if (layout.kind === "targets")
      return layout.targets.length >= MAX_TARGETS
        ? null
        : {
            ...params,
            layout: { ...layout, targets: [...layout.targets, { ...added(layout.targets, space), points: 1 }] },
          };
    const next = nextLine(distances(layout.spots), space);
    if (layout.spots.length >= MAX_TARGETS || next === null) return null;
    const points = layout.spots[layout.spots.length - 1]!.points;
    return {
      ...params,
      layout: { ...layout, spots: [...layout.spots, { distance: next, points: Math.min(100, points + 1) }] },
    };
  },
  remove: (params, id) => {
    const { layout } = params;
    if (layout.kind === "targets")
      return layout.targets.length < 2
        ? null
        : { ...params, layout: { ...layout, targets: layout.targets.filter((target) => target.id !== id) } };
    return layout.spots.length < 2
      ? null
      : { ...params, layout: { ...layout, spots: layout.spots.filter((_, i) => lineId(i) !== id) } };
  },
  squeeze: (params, k) =>
    params.layout.kind === "spots"
      ? params
      : { ...params, layout: { ...params.layout, targets: squeezed(params.layout.targets, k) } },
  swap: (params, id, face) => changeTarget(params, id, (t) => faced(t, face)),
  touchCounts: (params, id) => changeTarget(params, id, (t) => ({ ...t, counts: ["touch"] })),
};
