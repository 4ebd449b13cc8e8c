import { z } from "zod";
import { distance, whole } from "../../contract/schema.ts";
import { checkLines } from "../../targets/lines.ts";
import { checkTargets } from "../../targets/target.ts";
import { target } from "../../targets/target-schema.ts";
import { MAX_RUNGS, MAX_TRIES } from "./limits.ts";

/** An exercise in addition to the first one. */
const otherExercise = (name: string) => z.string().max(40, `${name} must be 40 letters or fewer`).optional();

const ladder = z.discriminatedUnion("kind", [
  /** One target for each rung. */
  z.strictObject({
    kind: z.literal("targets"),
    targets: z
      .array(target)
      .min(1, "a climb needs at least 1 target")
      .max(MAX_RUNGS, `a climb has at most ${MAX_RUNGS} targets`),
    order: z.enum(["nearest", "farthest", "listed"]),
  }),
  /** One target. The line moves back a level after every hit. */
  z.strictObject({
    kind: z.literal("line"),
    target: target.omit({ distance: true }),
    lines: z
      .array(distance)
      .min(1, "a climb needs at least 1 line")
      .max(MAX_RUNGS, `a climb has at most ${MAX_RUNGS} lines`),
  }),
]);

export const climbParams = z
  .strictObject({
    ladder,
    /** The attempts allowed in a go. Null: no limit. */
    tries: whole("tries", 1, MAX_TRIES).nullable(),
    scoring: z.discriminatedUnion("by", [
      /** Rung n, from 0, is worth first + n x growth. */
      z.strictObject({ by: z.literal("points"), first: whole("first", 0, 100), growth: whole("growth", 0, 50) }),
      z.strictObject({ by: z.literal("tries") }),
      z.strictObject({ by: z.literal("time") }),
    ]),
    /** After this many misses an exercise is done before play goes on. Null: none. */
    forfeit: z
      .strictObject({
        misses: whole("misses", 1, 20),
        exercise: z.string().min(1, "exercise must not be empty").max(40),
        dose: whole("dose", 1, 60),
        /** The most exercises in a go. Null, or left out as in documents from earlier versions: no limit. */
        cap: whole("cap", 1, 20).nullable().optional(),
        /** Another exercise that the child may do instead. Empty or left out: none. */
        second: otherExercise("second"),
        third: otherExercise("third"),
        /** The same for a child who plays seated. */
        seated: otherExercise("seated"),
      })
      .nullable(),
  })
  .superRefine((params, ctx) => {
    if (params.ladder.kind === "targets") checkTargets(params.ladder.targets, ["ladder", "targets"], ctx);
    else checkLines(params.ladder.lines, (i) => ["ladder", "lines", i], "line", ctx);
  });

export type ClimbParams = z.infer<typeof climbParams>;
