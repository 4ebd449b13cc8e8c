import { z } from "zod";
import { distance, whole } from "../../contract/schema.ts";
import { checkLines } from "../../targets/lines.ts";
import { checkTargets } from "../../targets/target.ts";
import { target } from "../../targets/target-schema.ts";
import { things, ways } from "../../targets/ways-schema.ts";
import { MAX_SENDS, MAX_TARGETS } from "./limits.ts";

export const points = whole("points", 0, 100);

export const layout = z.discriminatedUnion("kind", [
  /** Several targets before one line. */
  z.strictObject({
    kind: z.literal("targets"),
    targets: z
      .array(target.extend({ points }))
      .min(1, "a board needs at least 1 target")
      .max(MAX_TARGETS, `a board has at most ${MAX_TARGETS} targets`),
  }),
  /** One target, and numbered spots to send from: each brings its own points. */
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
    /** Any of them counts, or only the one that was called before, or any in the way, or with the thing, that was called. Where there are spots, the spot is chosen. */
    choice: z.enum(["free", "called", "action", "thing"], { error: "choice must be free, called, action or thing" }),
    /** What may be called where it is the way. */
    ways,
    /** What may be called where it is the thing; fetched at the end, each is sent once. */
    things,
    /** Sends that a side has; null: until the bell, or until each has counted once. */
    sends: whole("sends", 1, MAX_SENDS).nullable(),
    /** What was sent is fetched after each send, or all of it at the end: as many things as sends. */
    fetch: z.enum(["each", "end"], { error: "fetch must be each or end" }),
    /** Each counts once: then it is used up. */
    once: z.boolean(),
    /** What is in the air at the bell counts where it lands. */
    inAir: z.boolean({ error: "inAir must be true or false" }).default(false),
    /** Once, when every one of them has counted. */
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
