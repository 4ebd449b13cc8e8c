import { z } from "zod";
import { distance, whole } from "../../contract/schema.ts";
import { checkLines } from "../../targets/lines.ts";
import { checkTargets } from "../../targets/target.ts";
import { target } from "../../targets/target-schema.ts";
import { MAX_RUNGS, MAX_TRIES } from "./limits.ts";

/** An exercise beside the first. */
const otherExercise = (name: string) => z.string().max(40, `${name} must be 40 letters or fewer`).optional();

const ladder = z.discriminatedUnion("kind", [
  /** A target a rung. */
  z.strictObject({
    kind: z.literal("targets"),
    targets: z
      .array(target)
      .min(1, "a climb needs at least 1 target")
      .max(MAX_RUNGS, `a climb has at most ${MAX_RUNGS} targets`),
    order: z.enum(["nearest", "farthest", "listed"]),
  }),
  /** One target; the line moves back a level with every hit. */
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
    /** Sends allowed in a go; null: no cap. */
    tries: whole("tries", 1, MAX_TRIES).nullable(),
    scoring: z.discriminatedUnion("by", [
      /** Rung n, from 0, is worth first + n x growth. */
      z.strictObject({ by: z.literal("points"), first: whole("first", 0, 100), growth: whole("growth", 0, 50) }),
      z.strictObject({ by: z.literal("tries") }),
      z.strictObject({ by: z.literal("time") }),
    ]),
    /** After so many misses an exercise is done before play goes on; null: none. */
    forfeit: z
      .strictObject({
        misses: whole("misses", 1, 20),
        exercise: z.string().min(1, "exercise must not be empty").max(40),
        dose: whole("dose", 1, 60),
        /** So many in a go at most; null, or absent as in documents from earlier versions: no such limit. */
        cap: whole("cap", 1, 20).nullable().optional(),
        /** What may be done instead, as the child likes; empty or absent: nothing. */
        second: otherExercise("second"),
        third: otherExercise("third"),
        /** The same for whoever plays sitting. */
        seated: otherExercise("seated"),
      })
      .nullable(),
  })
  .superRefine((params, ctx) => {
    if (params.ladder.kind === "targets") checkTargets(params.ladder.targets, ["ladder", "targets"], ctx);
    else checkLines(params.ladder.lines, (i) => ["ladder", "lines", i], "line", ctx);
  });

export type ClimbParams = z.infer<typeof climbParams>;
