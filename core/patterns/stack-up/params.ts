import type { Spot } from "../../asks/ask.ts";
import { LINES_BACK } from "./limits.ts";
import type { StackParams } from "./schema.ts";

export const idsUpTo = (count: number): string[] => Array.from({ length: count }, (_, i) => `p${i + 1}`);
/** How far beyond the line the nearest pin stands, if there are several lines one behind the other. */
export const backOf = (params: StackParams): number => (params.after === "again" ? LINES_BACK * params.back : 0);

/** Where the pins of a row stand, in the order in which they are added. Metres. */
export function spotsOf(params: StackParams, count: number): Spot[] {
  const step = params.pin.width + params.gap;
  const near = params.distance + backOf(params);
  return idsUpTo(count).map((id, i) => {
    if (params.grow === "beside") {
      // The middle, then one to the right, one to the left, and so on.
      const aside = Math.ceil(i / 2) * (i % 2 === 1 ? 1 : -1);
      return { id, along: near, across: params.across + aside * step };
    }
    const deep = params.grow === "behind" ? i : params.full - 1 - i;
    return { id, along: near + deep * step, across: params.across };
  });
}
