import { z } from "zod";
import type { Spot } from "../../asks/ask.ts";
import { across, distance, metres, whole } from "../../contract/schema.ts";
import { pin } from "../../targets/pin.ts";

export const GROWS = ["beside", "behind", "front"] as const;
/** Lines farther back that the layout shows; after the last one it stays there. */
export const LINES_BACK = 2;

export const stackParams = z.strictObject({
  pin,
  /** From the line to the nearest pin of the full row. */
  distance,
  across,
  /** Where the next pin is put, and how far apart edges stand. */
  grow: z.enum(GROWS, { error: `grow must be one of ${GROWS.join(", ")}` }),
  gap: metres("gap", 0.01, 0.6),
  /** Pins of the full row. */
  full: whole("full", 3, 10),
  /** Sends of a round. */
  sends: whole("sends", 1, 4),
  /** Rounds that a side has; null: no cap. */
  rounds: whole("rounds", 1, 60).nullable(),
  /** The forecast counts what a falling pin knocks over (not given, from earlier versions: only what the object sweeps). */
  pinOnPin: z.boolean().optional(),
  /** A round that fails with a single pin standing ends the go. */
  firstEnds: z.boolean(),
  /** The full row ends it, or it begins again one line farther back. */
  after: z.enum(["stop", "again"], { error: "after must be stop or again" }),
  /** How far back a line is from the one before, metres. */
  back: metres("back", 0.2, 1.5),
  score: z.enum(["rounds", "row", "time", "felled"], { error: "score must be rounds, row, time or felled" }),
  /** Against: each side has its own row, or all send at one and score what they fell. */
  heap: z.enum(["own", "shared"], { error: "heap must be own or shared" }),
});
export type StackParams = z.infer<typeof stackParams>;

export const idsUpTo = (count: number): string[] => Array.from({ length: count }, (_, i) => `p${i + 1}`);
/** How far beyond the line the nearest pin stands where lines lie behind one another. */
export const backOf = (params: StackParams): number => (params.after === "again" ? LINES_BACK * params.back : 0);

/** Where the pins of a row stand, in the order in which they are added. Metres. */
export function spotsOf(params: StackParams, count: number): Spot[] {
  const step = params.pin.width + params.gap;
  const near = params.distance + backOf(params);
  return idsUpTo(count).map((id, i) => {
    if (params.grow === "beside") {
      // The middle, one to the right, one to the left, and on.
      const aside = Math.ceil(i / 2) * (i % 2 === 1 ? 1 : -1);
      return { id, along: near, across: params.across + aside * step };
    }
    const deep = params.grow === "behind" ? i : params.full - 1 - i;
    return { id, along: near + deep * step, across: params.across };
  });
}
