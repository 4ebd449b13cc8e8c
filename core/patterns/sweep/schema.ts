import { z } from "zod";
import { whole } from "../../contract/schema.ts";
import { checkTargets } from "../../targets/target.ts";
import { target } from "../../targets/target-schema.ts";
import { FEWEST_TARGETS, MAX_SENDS, MAX_TARGETS } from "./limits.ts";

export const sweepTarget = target.extend({
  /** What it is worth if points are scored. */
  points: whole("points", 0, 100),
});

export const sweepParams = z
  .strictObject({
    targets: z
      .array(sweepTarget)
      .min(FEWEST_TARGETS, `a sweep needs at least ${FEWEST_TARGETS} targets`)
      .max(MAX_TARGETS, `a sweep has at most ${MAX_TARGETS} targets`),
    /** True: an item that is hit is carried back. False: it stays and is crossed out. */
    collect: z.boolean(),
    /** If several are touched, only the first counts, or all of them do (if they are carried back). */
    touching: z.enum(["first", "all"], { error: "touching must be first or all" }).default("first"),
    /** The sends of a side. Null: no limit. */
    sends: whole("sends", 1, MAX_SENDS).nullable(),
    score: z.enum(["sends", "points", "time"], { error: "score must be sends, points or time" }),
    /** The bonus for the last one if points are scored. */
    bonus: whole("bonus", 0, 50),
    /** Against each other: each side has its own targets, or all play for the same ones and keep what they hit. */
    heap: z.enum(["own", "shared"], { error: "heap must be own or shared" }),
  })
  .superRefine((params, ctx) => checkTargets(params.targets, ["targets"], ctx));

export type SweepTarget = z.infer<typeof sweepTarget>;

export type SweepParams = z.infer<typeof sweepParams>;
