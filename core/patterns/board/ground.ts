import type { Ground } from "../../contract/contract.ts";
import { targetsGround } from "../../targets/ground.ts";
import { MAX_TARGETS } from "./limits.ts";
import type { BoardParams } from "./schema.ts";

type Layout<K extends BoardParams["layout"]["kind"]> = Extract<BoardParams["layout"], { kind: K }>;
type Spots = Layout<"spots">["spots"];
const withSpots = (params: BoardParams, change: (spots: Spots) => Spots): BoardParams => {
  const layout = params.layout as Layout<"spots">;
  return { ...params, layout: { ...layout, spots: change(layout.spots) } };
};

export const boardGround: Ground<BoardParams> = targetsGround<BoardParams, Layout<"targets">["targets"][number]>({
  read: ({ layout }) =>
    layout.kind === "targets"
      ? layout.targets
      : {
          target: layout.target,
          lines: layout.spots.map((spot) => spot.distance),
          points: layout.spots.map((spot) => spot.points),
        },
  targets: (params, targets) => ({ ...params, layout: { ...(params.layout as Layout<"targets">), targets } }),
  least: 1,
  most: MAX_TARGETS,
  begin: (target) => ({ ...target, points: 1 }),
  lines: {
    target: (params, target) => ({ ...params, layout: { ...(params.layout as Layout<"spots">), target } }),
    move: (params, lines) => withSpots(params, (spots) => spots.map((spot, i) => ({ ...spot, distance: lines[i]! }))),
    add: (params, distance) =>
      withSpots(params, (spots) => [...spots, { distance, points: Math.min(100, spots.at(-1)!.points + 1) }]),
    remove: (params, index) => withSpots(params, (spots) => spots.filter((_, i) => i !== index)),
  },
});
