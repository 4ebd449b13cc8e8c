import { z } from "zod";
import { MAX_PLAYERS } from "../contract/contract.ts";
import { FLOORS } from "../items/floors.ts";
import { MAX_OF_ONE } from "../items/lists.ts";
import { outlineOf } from "../yard/shapes.ts";
import { floorPatch, type Ground, obstacle, outline } from "../yard/space.ts";
import { MAX_OBSTACLES, MAX_PATCHES, USUAL_CEILING } from "../yard/space-limits.ts";
import { LONGEST_SPACE, SHORTEST_SPACE, SLOPES, SPACE_KINDS, WINDS } from "./home-limits.ts";

const side = (name: string) =>
  z
    .number({ error: `${name} must be a number of metres` })
    .min(SHORTEST_SPACE, `${name} must be ${SHORTEST_SPACE} m or more`)
    .max(LONGEST_SPACE, `${name} must be ${LONGEST_SPACE} m or less`);

/** The space in which a family plays, as far as it is known. Metres. */
export const homeSpace = z.strictObject({
  kind: z.enum(SPACE_KINDS, { error: `space must be one of ${SPACE_KINDS.join(", ")}` }),
  length: side("length"),
  width: side("width"),
  floor: z.enum(FLOORS, { error: `floor must be one of ${FLOORS.join(", ")}` }),
  indoors: z.boolean(),
  /** The height of the ceiling. Left out: unknown, or no ceiling. */
  ceiling: z
    .number({ error: "ceiling must be a number of metres" })
    .min(1.5, "ceiling must be 1.5 m or more")
    .max(12, "ceiling must be 12 m or less")
    .optional(),
  /** The corners in order, from the near left one, if the space is not a plain rectangle. */
  outline: outline.optional(),
  obstacles: z.array(obstacle).max(MAX_OBSTACLES, `at most ${MAX_OBSTACLES} items standing in a space`).optional(),
  /** Areas with another floor. */
  floors: z.array(floorPatch).max(MAX_PATCHES, `at most ${MAX_PATCHES} patches of another floor`).optional(),
  slope: z.enum(SLOPES, { error: `slope must be one of ${SLOPES.join(", ")}` }).optional(),
  wind: z.enum(WINDS, { error: `wind must be one of ${WINDS.join(", ")}` }).optional(),
});
export type HomeSpace = z.infer<typeof homeSpace>;

export const MAX_THINGS = 200;
/** How many of each item, by id. Only items that are there are listed. */
export const homeKit = z
  .record(
    z.string().min(1).max(40),
    z
      .number({ error: "how many must be a number" })
      .int("how many must be a whole number")
      .min(1, "how many must be 1 or more")
      .max(MAX_OF_ONE, `how many must be ${MAX_OF_ONE} or fewer`),
  )
  .refine((k) => Object.keys(k).length <= MAX_THINGS, { error: `at most ${MAX_THINGS} kinds of item` });
export type HomeKit = z.infer<typeof homeKit>;

/** A family's answers about its home. Null, or left out: not answered. */
export const homeAnswers = z.strictObject({
  kit: homeKit.nullable(),
  space: homeSpace.nullable(),
  players: z
    .number({ error: "players must be a number" })
    .int("players must be a whole number")
    .min(1, "players must be 1 or more")
    .max(MAX_PLAYERS, `players must be ${MAX_PLAYERS} or fewer`)
    .nullable(),
  quiet: z.boolean(),
  noBallsIndoors: z.boolean(),
});
export type HomeAnswers = z.infer<typeof homeAnswers>;
export const NOTHING_SAID: HomeAnswers = { kit: null, space: null, players: null, quiet: false, noBallsIndoors: false };
/** The height of the ceiling, metres. If unknown, 2.4 m indoors. Null: no ceiling. */
export const ceilingOf = (s: { ceiling?: number; indoors: boolean }): number | null =>
  s.ceiling ?? (s.indoors ? USUAL_CEILING : null);
/** A home's space in the shape that the fitting needs. */
export const groundOf = (space: HomeSpace): Ground => ({
  corners: outlineOf(space),
  obstacles: space.obstacles ?? [],
  indoors: space.indoors,
  ceiling: ceilingOf(space),
});
