import { z } from "zod";
import { distance, whole } from "../../contract/schema.ts";
import { checkLines } from "../../targets/lines.ts";
import { target } from "../../targets/target-schema.ts";
import { things, ways } from "../../targets/ways-schema.ts";
import { MAX_MARKS } from "./limits.ts";

export const passParams = z
  .strictObject({
    /** The distances from the line, growing. */
    marks: z
      .array(distance)
      .min(1, "the ladder needs at least 1 spot")
      .max(MAX_MARKS, `the ladder can have at most ${MAX_MARKS} spots`),
    way: z.discriminatedUnion("kind", [
      /**
       * Alone: rolled, run after and fielded while it rolls, beyond the previous mark, after a turn of this many
       * seconds.
       */
      z.strictObject({
        kind: z.literal("chase"),
        turn: z
          .number({ error: "turn must be a number" })
          .min(0, "turn must be 0 to 5 seconds")
          .max(5, "turn must be 0 to 5 seconds"),
      }),
      /** Somebody at the mark catches. */
      z.strictObject({ kind: z.literal("pair"), bounce: z.boolean() }),
      /** An item at the mark catches. It moves from mark to mark. */
      z.strictObject({ kind: z.literal("container"), target: target.omit({ distance: true }) }),
    ]),
    /** The action at each mark, in turn. Empty for the activity's own. */
    ways,
    /** Objects in turn; empty for always the same one. */
    things,
    /** The clean passes at a mark that open the next one. */
    passes: whole("passes", 1, 20),
    drop: z.enum(["repeat", "stay", "back"], { error: "drop must be repeat, stay or back" }),
    sends: whole("sends", 1, 200).nullable(),
    score: z.enum(["marks", "passes", "time"], { error: "score must be marks, passes or time" }),
  })
  .superRefine((params, ctx) => checkLines(params.marks, (i) => ["marks", i], "mark", ctx));

export type PassParams = z.infer<typeof passParams>;
