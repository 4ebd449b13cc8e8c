import { z } from "zod";
import { LARGEST, LINE_RULES, SMALLEST } from "./limits.ts";

const size = (name: string, most = 5) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(SMALLEST, `${name} must be at least ${SMALLEST} m`)
    .max(most, `${name} must be at most ${most} m`);

const touch = z.strictObject({
  kind: z.literal("touch"),
  width: size("width"),
  /** If given, an upright face met in the air. Otherwise met on the ground. */
  height: size("height").optional(),
});
const through = z.strictObject({ kind: z.literal("through"), gap: size("gap") });
const into = z.strictObject({
  kind: z.literal("into"),
  /** The diameter of a round opening, or the width of a rectangular one. */
  opening: size("opening"),
  /** The other side of a rectangular opening: away from the player, or its height if it faces the player. */
  depth: size("depth").optional(),
  /** How far it is turned about the vertical, radians. */
  turn: z
    .number()
    .min(-Math.PI, "turn must be from -3.14 to 3.14 radians")
    .max(Math.PI, "turn must be from -3.14 to 3.14 radians")
    .optional(),
  /** The edge that a rolled object must climb, metres. */
  lip: z.number().min(0, "lip must be 0 m or more").max(0.5, "lip must be at most 0.5 m").optional(),
  /** 0: it must clear the rim. 1: the whole rim helps it in. */
  rimAllowance: z.number().min(0, "rimAllowance must be 0 to 1").max(1, "rimAllowance must be 0 to 1").optional(),
  /**
   * The direction of the opening: upwards, towards the player, or as the mouth of a container that lies on the floor
   * and is rolled into. By default a container that is rolled into lies, and all others are open upwards.
   */
  facing: z.enum(["up", "player", "mouth"]).optional(),
});
const on = z
  .strictObject({
    kind: z.literal("on"),
    radius: size("radius").optional(),
    width: size("width").optional(),
    depth: size("depth").optional(),
    /** Touching the patch is enough. */
    touching: z.boolean().optional(),
  })
  .refine((rule) => (rule.radius === undefined) !== (rule.width === undefined || rule.depth === undefined), {
    error: "on: give a radius, or a width and a depth",
  });
const band = z
  .strictObject({
    kind: z.literal("band"),
    near: z.number().min(0, "near must be 0 m or more").max(LARGEST),
    far: z.number().min(0, "far must be 0 m or more").max(LARGEST),
    lineRule: z.enum(LINE_RULES, { error: "lineRule must be lower, centre or higher" }).optional(),
  })
  .refine((r) => r.far > r.near, { error: "far must be more than near", path: ["far"] });
const cell = z.strictObject({
  kind: z.literal("cell"),
  width: size("width"),
  depth: size("depth"),
  acrossOffset: z.number().min(-LARGEST).max(LARGEST).optional(),
  alongOffset: z.number().min(-LARGEST).max(LARGEST).optional(),
});
const topple = z.strictObject({
  kind: z.literal("topple"),
  width: size("width"),
  height: size("height"),
  /** Kilograms, without the contents. */
  mass: z.number().min(0.001, "mass must be at least 0.001 kg").max(50, "mass must be at most 50 kg"),
  /** The mass of the contents when full, kilograms, and how full it is, 0 to 1. */
  contents: z.number().min(0).max(50).optional(),
  filling: z.number().min(0, "filling must be 0 to 1").max(1, "filling must be 0 to 1").optional(),
});
const named = (issue: { code?: string }) =>
  issue.code === "invalid_union" ? "kind must be touch, through, into, on, band, cell, topple or anyOf" : undefined;
const singles = [touch, through, into, on, band, cell, topple] as const;
const single = z.discriminatedUnion("kind", singles, { error: named });
export type SingleRule = z.infer<typeof single>;
const anyOf = z.strictObject({ kind: z.literal("anyOf"), rules: z.array(single).min(1).max(6) });

/** What counts as a hit on a target: a single rule, or any of several (a chair: touching it or through it). */
export const hitRule = z.discriminatedUnion("kind", [...singles, anyOf], { error: named });
export type HitRule = z.infer<typeof hitRule>;
