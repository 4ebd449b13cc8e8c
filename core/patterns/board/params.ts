import { lineId } from "../../targets/lines.ts";
import type { BoardParams } from "./schema.ts";

/** What may be chosen and what each is worth: targets by their ids, spots as `l1`, `l2`. */
export const placesOf = ({ layout: l }: BoardParams): { id: string; points: number }[] =>
  l.kind === "targets"
    ? l.targets.map(({ id, points: count }) => ({ id, points: count }))
    : l.spots.map(({ points: count }, i) => ({ id: lineId(i), points: count }));
