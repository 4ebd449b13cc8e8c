import type { Space } from "../../contract/contract.ts";
import { cm } from "../../contract/round.ts";
import { MAX_BANDS } from "./limits.ts";
import type { BandsParams } from "./schema.ts";

export function addPeg(params: BandsParams, space: Space): BandsParams | null {
  const last = params.lines[params.lines.length - 1]!;
  const next = cm(Math.min(last + 0.4, space.length));
  if (params.points.length >= MAX_BANDS || next < last + 0.1) return null;
  return {
    ...params,
    lines: [...params.lines, next],
    points: [...params.points, Math.min(100, params.points[params.points.length - 1]! + 2)],
  };
}

/** Removes a line together with the band that begins at it, or the last line with the band before it. */
export function removePeg(params: BandsParams, id: string): BandsParams | null {
  if (params.lines.length <= 2) return null;
  const i = Number(id.slice(1)) - 1;
  return {
    ...params,
    lines: params.lines.filter((_, k) => k !== i),
    points: params.points.filter((_, k) => k !== Math.min(i, params.points.length - 1)),
  };
}
