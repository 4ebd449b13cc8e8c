import { z } from "zod";
import { weight, whole } from "../../contract/schema.ts";

export const MOST_RUNGS = 10;
export const MOST_TRIES = 200;
/** Two rungs at the same distance would not be a climb, metres. */
const LEAST_GAP = 0.05;

/** An exercise beside the first. */
const otherExercise = (name: string) => z.string().max(40, `${name} must be 40 letters or fewer`).optional();

export const distance = z
  .number({ error: "distance must be a number of metres" })
  .min(0.3, "distance must be 0.3 m or more")
  .max(30, "distance must be 30 m or less");

const inner = (name: string) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(0.01, `${name} must be 0.01 m or more`)
    .max(3, `${name} must be 3 m or less`);

export const climbTarget = z.strictObject({
  id: z.string().min(1).max(40),
  /** Household thing; see the kit list. */
  item: z.string().min(1).max(40),
  /** What the card calls it; empty: as the thing is called. */
  label: z.string().max(30, "label must be 30 letters or fewer"),
  distance,
  /** To the player's right of the middle, metres. */
  across: z
    .number({ error: "across must be a number of metres" })
    .min(-10, "across must be -10 m or more")
    .max(10, "across must be 10 m or less"),
  width: z
    .number({ error: "width must be a number of metres" })
    .min(0.02, "width must be 0.02 m or more")
    .max(3, "width must be 3 m or less"),
  height: z
    .number({ error: "height must be a number of metres" })
    .min(0.01, "height must be 0.01 m or more")
    .max(3, "height must be 3 m or less"),
  /** What counts as a hit; any of them. */
  counts: z
    .array(
      z.enum(["touch", "into", "through", "topple"], { error: "counts must be among touch, into, through, topple" }),
    )
    .min(1, "counts must name at least one of touch, into, through, topple")
    .max(4),
  /** Opening, for into (its diameter, or the width of one that is rectangular); gap, for through. Not given: the width less its walls. */
  opening: inner("opening").optional(),
  /** The other side of a rectangular opening. */
  openingDepth: inner("openingDepth").optional(),
  /** Whether it lies on its side, its mouth towards the player. Not given: it stands, but what is rolled into lies. */
  lies: z.boolean({ error: "lies must be true or false" }).optional(),
  /** How far its opening is turned away from the player, degrees. */
  turn: z
    .number({ error: "turn must be a number of degrees" })
    .min(-80, "turn must be -80 or more")
    .max(80, "turn must be 80 or less")
    .optional(),
  gap: inner("gap").optional(),
  /** For topple: mass empty, contents when full (kilograms), and how full, 0 to 1. */
  weight: weight.optional(),
});
export type ClimbTarget = z.infer<typeof climbTarget>;

const ladder = z.discriminatedUnion("kind", [
  /** A target a rung. */
  z.strictObject({
    kind: z.literal("targets"),
    targets: z
      .array(climbTarget)
      .min(1, "a climb needs at least 1 target")
      .max(MOST_RUNGS, `a climb has at most ${MOST_RUNGS} targets`),
    order: z.enum(["nearest", "farthest", "listed"]),
  }),
  /** One target; the line moves back a level with every hit. */
  z.strictObject({
    kind: z.literal("line"),
    target: climbTarget.omit({ distance: true }),
    lines: z
      .array(distance)
      .min(1, "a climb needs at least 1 line")
      .max(MOST_RUNGS, `a climb has at most ${MOST_RUNGS} lines`),
  }),
]);

export const climbParams = z
  .strictObject({
    ladder,
    /** Sends allowed in a go; null: no cap. */
    tries: whole("tries", 1, MOST_TRIES).nullable(),
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
        /** So many in a go at most; null, or absent as in documents from before: no such limit. */
        cap: whole("cap", 1, 20).nullable().optional(),
        /** What may be done instead, as the child likes; empty or absent: nothing. */
        second: otherExercise("second"),
        third: otherExercise("third"),
        /** The same for whoever plays sitting. */
        seated: otherExercise("seated"),
      })
      .nullable(),
  })
  .superRefine((p, ctx) => {
    if (p.ladder.kind === "targets") {
      const seen = new Set<string>();
      p.ladder.targets.forEach((t, i) => {
        if (seen.has(t.id))
          ctx.addIssue({ code: "custom", path: ["ladder", "targets", i, "id"], message: `id "${t.id}" is used twice` });
        seen.add(t.id);
        if (t.id === "none")
          ctx.addIssue({ code: "custom", path: ["ladder", "targets", i, "id"], message: 'id must not be "none"' });
      });
      p.ladder.targets.forEach((a, i) => {
        p.ladder.kind === "targets" &&
          p.ladder.targets.slice(0, i).forEach((b, j) => {
            if (
              Math.abs(a.distance - b.distance) < LEAST_GAP &&
              Math.abs(a.across - b.across) < (a.width + b.width) / 2
            )
              ctx.addIssue({
                code: "custom",
                path: ["ladder", "targets", i, "distance"],
                message: `target ${i + 1} stands on target ${j + 1}: move one by ${LEAST_GAP} m or more`,
              });
          });
      });
    } else
      p.ladder.lines.forEach((line, i) => {
        const last = p.ladder.kind === "line" ? p.ladder.lines[i - 1] : undefined;
        if (last !== undefined && line < last + LEAST_GAP)
          ctx.addIssue({
            code: "custom",
            path: ["ladder", "lines", i],
            message: `line ${i + 1} (${line} m) must be at least ${LEAST_GAP} m farther than line ${i} (${last} m)`,
          });
      });
  });
export type ClimbParams = z.infer<typeof climbParams>;
