import { z } from "zod";
import { distance, whole } from "../../contract/schema.ts";
import { checkLines } from "../../targets/lines.ts";
import { checkTargets } from "../../targets/target.ts";
import { target } from "../../targets/target-schema.ts";
import { things, ways } from "../../targets/ways-schema.ts";
import { MAX_SENDS, MAX_TARGETS } from "./limits.ts";

export const points = whole("points", 0, 100);

export const layout = z.discriminatedUnion("kind", [
  /** Several targets in front of one line. */
  z.strictObject({
    kind: z.literal("targets"),
    targets: z
      .array(target.extend({ points }))
      .min(1, "a board needs at least 1 target")
      .max(MAX_TARGETS, `a board has at most ${MAX_TARGETS} targets`),
  }),
  /** One target and numbered spots to send from, each with its own points. */
  z.strictObject({
    kind: z.literal("spots"),
    target: target.omit({ distance: true }),
    spots: z
      .array(z.strictObject({ distance, points }))
      .min(1, "a board needs at least 1 spot")
      .max(MAX_TARGETS, `a board has at most ${MAX_TARGETS} spots`),
  }),
]);

export const boardParams = z
  .strictObject({
    layout,
    /** What must be called beforehand: nothing, the target, the action, or the object. With spots, the spot is chosen. */
    choice: z.enum(["free", "called", "action", "thing"], { error: "choice must be free, called, action or thing" }),
    /** Actions that may be called. */
    ways,
    /** Objects that may be called. If they are fetched at the end, each is sent once. */
    things,
    /** Attempts of a side. Null means until the bell, or until each target has counted once. */
    sends: whole("sends", 1, MAX_SENDS).nullable(),
    /** Whether the object is fetched after each attempt, or all objects at the end, one for each attempt. */
    fetch: z.enum(["each", "end"], { error: "fetch must be each or end" }),
    /** If true, each target counts only once. */
    once: z.boolean(),
    /** If true, an object in the air at the bell counts where it lands. */
    inAir: z.boolean({ error: "inAir must be true or false" }).default(false),
    /** Bonus points, given once when every target has counted. */
    bonus: whole("bonus", 0, 100),
  })
  .superRefine((params, ctx) => {
    if (params.layout.kind === "targets") return checkTargets(params.layout.targets, ["layout", "targets"], ctx);
    checkLines(
      params.layout.spots.map((spot) => spot.distance),
      (i) => ["layout", "spots", i, "distance"],
      "spot",
      ctx,
    );
  });

export type BoardParams = z.infer<typeof boardParams>;
