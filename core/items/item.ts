import { z } from "zod";
import { CAUTIONS } from "./cautions.ts";
import {
  HEAVIEST_ITEM,
  LARGEST_ITEM,
  MATERIALS,
  MAX_MINUTES_TO_MAKE,
  MAX_OF_ONE,
  MOVES,
  ROOMS,
  USES,
} from "./lists.ts";

const id = (name: string) =>
  z
    .string({ error: `${name} must be text` })
    .regex(/^[A-Za-z][A-Za-z0-9-]{0,39}$/, `${name} must begin with a letter: letters, digits and -, up to 40`);
const number = (name: string, least: number, most: number, unit = "") => {
  const url = unit && ` ${unit}`;
  return z
    .number({ error: `${name} must be a number from ${least} to ${most}${url}` })
    .min(least, `${name} must be ${least}${url} or more`)
    .max(most, `${name} must be ${most}${url} or less`);
};
const metres = (name: string) => number(name, 0.001, LARGEST_ITEM, "m");
const share = (name: string) => number(name, 0, 1);

/**
 * How an item is made from others: the minutes, the materials, and the steps, each a message key or a sentence of the
 * school's own.
 */
const making = z.strictObject({
  minutes: number("minutes", 1, MAX_MINUTES_TO_MAKE).int("minutes must be a whole number"),
  /** Items that are used up. */
  from: z
    .array(
      z.strictObject({
        item: id("item"),
        count: number("count", 1, MAX_OF_ONE).int("count must be a whole number"),
      }),
    )
    .max(6),
  /** Tools that are needed and not used up. */
  tools: z.array(id("tool")).max(6),
  steps: z
    .array(
      z.strictObject({
        /** A message key, or the school's own words. */
        text: z.string().trim().min(1, "a step must not be empty").max(120, "a step must be 120 letters or fewer"),
        /** The name of a small drawing. */
        drawing: z.string().max(40),
        /** A grown-up does this step. */
        grownUp: z.boolean(),
      }),
    )
    .min(1, "making needs at least 1 step")
    .max(8, "making has at most 8 steps"),
});

/** A household item and the properties that matter to a game. SI units. */
export const item = z.strictObject({
  id: id("id"),
  /** The school's own name for it. Empty for built-in items, whose names are messages `item.<id>`. */
  name: z.string({ error: "name must be text" }).trim().max(30, "name must be 30 letters or fewer"),
  /** The name of its drawing. */
  drawing: z.string({ error: "drawing must be text" }).max(40),
  room: z.enum(ROOMS, { error: `room must be one of ${ROOMS.join(", ")}` }),
  uses: z.array(z.enum(USES, { error: `uses must be among ${USES.join(", ")}` })).min(1, "uses must name at least one"),
  moves: z.array(z.enum(MOVES, { error: `moves must be among ${MOVES.join(", ")}` })),
  /** The width as it faces a player, the depth away from the player, and the height. */
  width: metres("width"),
  depth: metres("depth"),
  height: metres("height"),
  /** The mass when empty. */
  mass: number("mass", 0.001, HEAVIEST_ITEM, "kg"),
  /** From 0 (hard) to 1 (as soft as a sock). */
  softness: share("softness"),
  /** The share of its speed that a dropped item keeps after hitting a hard floor. */
  rebound: share("rebound"),
  /** How hard it is to keep rolling, compared with a ball on the same floor. Null: it does not roll. */
  drag: number("drag", 0.5, 20).nullable(),
  material: z.enum(MATERIALS, { error: `material must be one of ${MATERIALS.join(", ")}` }),
  /** From 0 (silent) to 3 (loud) on a hard floor. */
  noise: number("noise", 0, 3),
  breakable: z.boolean({ error: "breakable must be true or false" }),
  /** The opening into which something can drop: the diameter, or the width of a rectangular one. Null without one. */
  opening: metres("opening").nullable(),
  /** The other side of a rectangular opening, away from the player. Left out: it is round. */
  openingDepth: metres("openingDepth").nullable().optional(),
  /** The gap through which something can pass, such as between a chair's legs. Null without one. */
  gap: metres("gap").nullable(),
  /** The water or filling it holds when full. Null if nothing can be filled in. */
  contents: number("contents", 0, HEAVIEST_ITEM, "kg").nullable(),
  /** The spread of a player with it, compared with an easy item. */
  handling: number("handling", 0.5, 3),
  /** The share of homes that have it, and how many those usually have. */
  homes: share("homes"),
  count: number("count", 1, MAX_OF_ONE).int("count must be a whole number"),
  /** It comes in kinds that can be told apart, such as two colours of sock. */
  kinds: z.boolean({ error: "kinds must be true or false" }),
  /** A grown-up must be asked first. */
  ask: z.boolean({ error: "ask must be true or false" }),
  outdoorsOnly: z.boolean({ error: "outdoorsOnly must be true or false" }),
  cautions: z.array(z.enum(CAUTIONS, { error: `cautions must be among ${CAUTIONS.join(", ")}` })),
  /** Every child or home has it, so it needs no kit. */
  always: z.boolean({ error: "always must be true or false" }),
  /** One is enough for any number of lines: tape, chalk. */
  endless: z.boolean({ error: "endless must be true or false" }),
  made: making.nullable(),
  /** The source of the figures, or "estimated". */
  source: z.string({ error: "source must be text" }).trim().min(1, "source must not be empty").max(120),
});
export type Item = z.infer<typeof item>;

export const ITEMS_FORMAT = "daring-yard/items";
export const ITEMS_VERSION = 1;
export const MAX_OWN_ITEMS = 300;
export const itemsFile = z.strictObject({
  format: z.literal(ITEMS_FORMAT, { error: `format must be "${ITEMS_FORMAT}"` }),
  version: z.literal(ITEMS_VERSION, { error: `version must be ${ITEMS_VERSION}` }),
  items: z.array(item).max(MAX_OWN_ITEMS, `at most ${MAX_OWN_ITEMS} items`),
});
