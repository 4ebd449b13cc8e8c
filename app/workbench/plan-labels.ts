import type { PartOf } from "#core/yard/parts.ts";
import { drawnSize } from "../ui/strokes.tsx";
import { asideText } from "./edit.ts";
import { type Box, type Labelled, type Placed, placeLabels } from "./labels.ts";
import { LEAST, type PlanScale } from "./scale.ts";

type Target = PartOf<"target">;
/** Letters on the court have an edge of its colour, so that they can be read across lines. */
export const EDGED = { stroke: "var(--color-court)", strokeWidth: 3, paintOrder: "stroke", fontWeight: 700 } as const;
/** The letters of names and of the figures beside the chosen target, pixels. */
const NAME = 14;
const DETAIL = 13;
/** The height of the captions at the foot of the plan, pixels. */
const FOOT = 20;
/** Half of the width that a drawn line is given, so that no letter touches it, pixels. */
const HALF_LINE = 2;
/** A slanting line is taken in pieces of this length, pixels. */
const PIECE = 8;
/** A ring is drawn around an item, this many times as large as the item. */
export const RING = 0.75;

/** The distance, the offset and the width of the chosen target. */
export const detailLines = (
  { along, across, width }: Pick<Target, "along" | "across" | "width">,
  reversed: boolean,
): [string, string] => [
  reversed ? asideText(across) : `${along.toFixed(2)} m, ${asideText(across)}`,
  `${width.toFixed(2)} m wide`,
];

/** The key of the figures beside the chosen target, among the labels. */
export const DETAIL_KEY = "detail";

/** Where the name of the start line stands, above it. */
const startBox = (from: { along: number; width: number }, scale: PlanScale): Box => {
  const [x, y] = [scale.x(from.along), scale.y(-from.width / 2)];
  return { left: x - START_NAME, right: x + START_NAME, top: y - 24, bottom: y };
};
/** Half of the width of a wall, pixels. */
const WALL = 5;
/** Half of the width of the name of the start line, pixels. */
const START_NAME = 24;

/** A slanting line as small rectangles along it. */
function along([x1, y1]: readonly [number, number], [x2, y2]: readonly [number, number]): Box[] {
  const pieces = Math.max(1, Math.ceil(Math.hypot(x2 - x1, y2 - y1) / PIECE));
  return Array.from({ length: pieces }, (_, i) => {
    const at = (i + 0.5) / pieces;
    const [x, y] = [x1 + (x2 - x1) * at, y1 + (y2 - y1) * at];
    return { left: x - PIECE / 2, right: x + PIECE / 2, top: y - HALF_LINE, bottom: y + HALF_LINE };
  });
}

/**
 * Where the names of the targets stand on the plan, and the figures beside the chosen one, so that they cover neither
 * each other nor an item.
 */
export function labelsOf({
  targets,
  chosen,
  scale,
  reversed,
  nameOf,
  from = null,
  wall = null,
}: {
  targets: readonly Target[];
  chosen: string | null;
  scale: PlanScale;
  reversed: boolean;
  nameOf: (target: Target, index: number) => string;
  /** Where the lines of sight to the targets begin. */
  from?: { along: number; across: number; width: number } | null;
  /** Where the wall or curtain behind the targets is drawn, pixels from the left. */
  wall?: number | null;
}): { placed: Map<string, Placed>; items: Pick<Labelled, "id" | "x" | "y" | "radius">[] } {
  const items = targets.map((target, i) => ({
    id: target.id,
    x: scale.x(target.along),
    y: scale.y(target.across),
    radius: RING * drawnSize(target.width, { k: scale.k, least: LEAST }),
    // A card shows its own sign.
    lines: target.sign === undefined ? [nameOf(target, i)] : [],
    size: NAME,
  }));
  const held = targets.findIndex(({ id }) => id === chosen);
  const detail: Labelled[] =
    held < 0 ? [] : [{ ...items[held]!, id: DETAIL_KEY, lines: detailLines(targets[held]!, reversed), size: DETAIL }];
  const plan: Box = { left: 2, top: 2, right: scale.width - 2, bottom: scale.height - FOOT };
  // From each target a dotted line runs down to the tape.
  const lines = items.map(({ x, y, radius }) => ({
    left: x - HALF_LINE,
    right: x + HALF_LINE,
    top: y + radius,
    bottom: scale.height,
  }));
  const sight = from ? items.flatMap(({ x, y }) => along([scale.x(from.along), scale.y(from.across)], [x, y])) : [];
  return {
    placed: placeLabels([...items, ...detail], {
      plan,
      others: items,
      lines: [...lines, ...sight],
      taken: [
        ...(from ? [startBox(from, scale)] : []),
        ...(wall === null ? [] : [{ left: wall - WALL, right: wall + WALL, top: 0, bottom: scale.height }]),
      ],
    }),
    items,
  };
}
