import { z } from "zod";
import { whole } from "../../contract/schema.ts";
import { checkTargets } from "../../targets/target.ts";
import { target } from "../../targets/target-schema.ts";
import { FEWEST_TARGETS, MAX_SENDS, MAX_TARGETS } from "./limits.ts";

export const sweepTarget = target.extend({
  /** What it is worth where points are scored. */
  points: whole("points", 0, 100),
});

export const sweepParams = z
  .strictObject({
    targets: z
      .array(sweepTarget)
      .min(FEWEST_TARGETS, `a sweep needs at least ${FEWEST_TARGETS} targets`)
      .max(MAX_TARGETS, `a sweep has at most ${MAX_TARGETS} targets`),
    /** What is hit is carried back, or stays and is crossed out. */
    collect: z.boolean(),
    /** Of several touched the first alone counts, or all of them do (where they are carried back). */
    touching: z.enum(["first", "all"], { error: "touching must be first or all" }).default("first"),
    /** Sends that a side has; null: no cap. */
    sends: whole("sends", 1, MAX_SENDS).nullable(),
    score: z.enum(["sends", "points", "time"], { error: "score must be sends, points or time" }),
    /** For the last one, where points are scored. */
    bonus: whole("bonus", 0, 50),
    /** Against: each side has its own targets, or all play for one heap and keep what they hit. */
    heap: z.enum(["own", "shared"], { error: "heap must be own or shared" }),
  })
  .superRefine((params, ctx) => checkTargets(params.targets, ["targets"], ctx));

export type SweepTarget = z.infer<typeof sweepTarget>;

export type SweepParams = z.infer<typeof sweepParams>;
