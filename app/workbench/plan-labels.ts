import type { PartOf } from "#core/yard/parts.ts";
import { drawnSize } from "../ui/strokes.tsx";
import { asideText } from "./edit.ts";
import { type Box, type Labelled, type Placed, placeLabels } from "./labels.ts";
import { LEAST, type PlanScale, WIDTH } from "./scale.ts";

type Target = PartOf<"target">;
/** The letters of names and of the figures beside the chosen target, pixels. */
const NAME = 14;
const DETAIL = 13;
/** The height of the captions at the foot of the plan, pixels. */
const FOOT = 20;
/** Half of the width that a drawn line is given, so that no letter touches it, pixels. */
const HALF_LINE = 2;
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
}: {
  targets: readonly Target[];
  chosen: string | null;
  scale: PlanScale;
  reversed: boolean;
  nameOf: (target: Target, index: number) => string;
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
  const plan: Box = { left: 2, top: 2, right: WIDTH - 2, bottom: scale.height - FOOT };
  // From each target a dotted line runs down to the tape.
  const lines = items.map(({ x, y, radius }) => ({
    left: x - HALF_LINE,
    right: x + HALF_LINE,
    top: y + radius,
    bottom: scale.height,
  }));
  return { placed: placeLabels([...items, ...detail], { plan, others: items, lines }), items };
}
