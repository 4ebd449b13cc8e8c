import { z } from "zod";
import { CAUTIONS } from "./cautions.ts";
import {
  HEAVIEST_THING,
  LARGEST_THING,
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
const metres = (name: string) => number(name, 0.001, LARGEST_THING, "m");
const share = (name: string) => number(name, 0, 1);

/** How a thing is made from others: minutes, what goes in, one step a message or a sentence of the school's own. */
const making = z.strictObject({
  minutes: number("minutes", 1, MAX_MINUTES_TO_MAKE).int("minutes must be a whole number"),
  /** Things that are used up in it. */
  from: z
    .array(
      z.strictObject({
        item: id("item"),
        count: number("count", 1, MAX_OF_ONE).int("count must be a whole number"),
      }),
    )
    .max(6),
  /** Things that are needed and not used up. */
  tools: z.array(id("tool")).max(6),
  steps: z
    .array(
      z.strictObject({
        /** Message key, or the school's own words. */
        text: z.string().trim().min(1, "a step must not be empty").max(120, "a step must be 120 letters or fewer"),
        /** A small drawing, by the name of a drawing. */
        drawing: z.string().max(40),
        /** A grown-up does this one. */
        grownUp: z.boolean(),
      }),
    )
    .min(1, "making needs at least 1 step")
    .max(8, "making has at most 8 steps"),
});

/** A household thing and what of it matters to a game. SI units. */
export const item = z.strictObject({
  id: id("id"),
  /** The school's own name for it; empty for the list that comes with the tool, whose names are messages `item.<id>`. */
  name: z.string({ error: "name must be text" }).trim().max(30, "name must be 30 letters or fewer"),
  /** Name of its drawing. */
  drawing: z.string({ error: "drawing must be text" }).max(40),
  room: z.enum(ROOMS, { error: `room must be one of ${ROOMS.join(", ")}` }),
  uses: z.array(z.enum(USES, { error: `uses must be among ${USES.join(", ")}` })).min(1, "uses must name at least one"),
  moves: z.array(z.enum(MOVES, { error: `moves must be among ${MOVES.join(", ")}` })),
  /** Across, as it faces a player; away from the player; up. */
  width: metres("width"),
  depth: metres("depth"),
  height: metres("height"),
  /** Empty. */
  mass: number("mass", 0.001, HEAVIEST_THING, "kg"),
  /** 0 hard, 1 as soft as a sock. */
  softness: share("softness"),
  /** Share of the speed of a drop that comes back from a hard floor. */
  rebound: share("rebound"),
  /** How hard it is to keep rolling, beside a ball on the same floor; null: it does not roll. */
  drag: number("drag", 0.5, 20).nullable(),
  material: z.enum(MATERIALS, { error: `material must be one of ${MATERIALS.join(", ")}` }),
  /** 0 silent to 3 loud on a hard floor. */
  noise: number("noise", 0, 3),
  breakable: z.boolean({ error: "breakable must be true or false" }),
  /** Opening that something can drop into: its diameter, or the width of a rectangular one; null without one. */
  opening: metres("opening").nullable(),
  /** The other side of a rectangular opening, away from the player; not given: it is round. */
  openingDepth: metres("openingDepth").nullable().optional(),
  /** Gap that something can pass through, a chair's legs; null without one. */
  gap: metres("gap").nullable(),
  /** Water or filling it holds when full; null where nothing goes in. */
  contents: number("contents", 0, HEAVIEST_THING, "kg").nullable(),
  /** Spread of a player with it, beside an easy thing. */
  handling: number("handling", 0.5, 3),
  /** Share of homes that have it, and how many those tend to have. */
  homes: share("homes"),
  count: number("count", 1, MAX_OF_ONE).int("count must be a whole number"),
  /** It comes in kinds that can be told apart, two colours of sock. */
  kinds: z.boolean({ error: "kinds must be true or false" }),
  /** A grown-up is asked first. */
  ask: z.boolean({ error: "ask must be true or false" }),
  outdoorsOnly: z.boolean({ error: "outdoorsOnly must be true or false" }),
  cautions: z.array(z.enum(CAUTIONS, { error: `cautions must be among ${CAUTIONS.join(", ")}` })),
  /** On every child, or part of every home: it needs no kit. */
  always: z.boolean({ error: "always must be true or false" }),
  /** One is enough for any number of lines: tape, chalk. */
  endless: z.boolean({ error: "endless must be true or false" }),
  made: making.nullable(),
  /** Where the figures come from, or "estimated". */
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
