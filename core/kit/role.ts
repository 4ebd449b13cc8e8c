import { z } from "zod";
import type { Item } from "../items/item.ts";
import type { Move, Use } from "../items/lists.ts";
import type { ImplementUse } from "./implements.ts";
import { PROPERTIES, type Property, propertyOf, type Sends, type Where } from "./property.ts";

export const MAX_LIMITS = 12;
const bound = z.number({ error: "a limit must be a number" }).min(0, "a limit must be 0 or more").max(100);
/** A bound that an item must keep to. */
export const limit = z
  .strictObject({
    property: z.enum(PROPERTIES, { error: `property must be one of ${PROPERTIES.join(", ")}` }),
    least: bound.optional(),
    most: bound.optional(),
  })
  .refine((eachLimit) => eachLimit.least !== undefined || eachLimit.most !== undefined, {
    error: "a limit needs least, most or both",
  })
  .refine(
    (eachLimit) => eachLimit.least === undefined || eachLimit.most === undefined || eachLimit.most >= eachLimit.least,
    {
      error: "most must not be below least",
      path: ["most"],
    },
  );
export type Limit = z.infer<typeof limit>;
/** A preference: the nearer to `toward`, the better. */
export const wish = z.strictObject({
  property: z.enum(PROPERTIES, { error: `property must be one of ${PROPERTIES.join(", ")}` }),
  toward: bound,
  weight: z.number().min(0.1, "weight must be 0.1 or more").max(5, "weight must be 5 or less"),
});
export type Wish = z.infer<typeof wish>;
/** What a teacher asks of one role of an activity, beside what the game itself needs. */
export const roleWords = z.strictObject({
  role: z.string().min(1).max(40),
  limits: z.array(limit).max(MAX_LIMITS),
  wishes: z.array(wish).max(MAX_LIMITS),
});
export type RoleWords = z.infer<typeof roleWords>;

/**
 * The words for the limits and wishes that a teacher is offered, each with the number behind it. Message keys
 * `asks.<id>`.
 */
export interface Asking {
  id: string;
  property: Property;
  side: "least" | "most";
  /** The number that the words start with. */
  value: number;
  step: number;
  unit: "m" | "kg" | "share" | "yes" | "min" | "loud";
  for: readonly Use[];
}
export const askings: readonly Asking[] = [
  {
    id: "soft",
    property: "softness",
    side: "least",
    value: 0.7,
    step: 0.05,
    unit: "share",
    for: ["send", "implement"],
  },
  { id: "staysPut", property: "runOn", side: "most", value: 0.8, step: 0.1, unit: "m", for: ["send"] },
  { id: "smallHand", property: "width", side: "most", value: 0.1, step: 0.01, unit: "m", for: ["send"] },
  { id: "handful", property: "width", side: "least", value: 0.06, step: 0.01, unit: "m", for: ["send"] },
  {
    id: "light",
    property: "mass",
    side: "most",
    value: 0.1,
    step: 0.01,
    unit: "kg",
    for: ["send", "target", "implement"],
  },
  {
    id: "heavy",
    property: "mass",
    side: "least",
    value: 0.5,
    step: 0.1,
    unit: "kg",
    for: ["target", "blocker", "prop"],
  },
  {
    id: "quiet",
    property: "noise",
    side: "most",
    value: 1,
    step: 1,
    unit: "loud",
    for: ["send", "target", "implement", "blocker"],
  },
  { id: "bounces", property: "rebound", side: "least", value: 0.5, step: 0.05, unit: "share", for: ["send"] },
  { id: "slidesWell", property: "slides", side: "least", value: 0.6, step: 0.05, unit: "share", for: ["send"] },
  { id: "wide", property: "width", side: "least", value: 0.25, step: 0.01, unit: "m", for: ["target"] },
  { id: "narrow", property: "width", side: "most", value: 0.12, step: 0.01, unit: "m", for: ["target"] },
  {
    id: "tall",
    property: "height",
    side: "least",
    value: 0.2,
    step: 0.01,
    unit: "m",
    for: ["target", "blocker", "net"],
  },
  { id: "low", property: "height", side: "most", value: 0.15, step: 0.01, unit: "m", for: ["target"] },
  { id: "opens", property: "opening", side: "least", value: 0.18, step: 0.01, unit: "m", for: ["target"] },
  {
    id: "noAsking",
    property: "ask",
    side: "most",
    value: 0,
    step: 1,
    unit: "yes",
    for: ["send", "target", "marker", "blocker", "implement"],
  },
  {
    id: "noMaking",
    property: "made",
    side: "most",
    value: 0,
    step: 1,
    unit: "min",
    for: ["send", "target", "marker", "blocker", "implement"],
  },
];

/** What is asked of one role. */
export const wordsOf = (all: readonly RoleWords[], role: string): RoleWords =>
  all.find((r) => r.role === role) ?? { role, limits: [], wishes: [] };
/** The limit behind some words. */
export const limitOf = (words: RoleWords, ask: Asking): Limit | undefined =>
  words.limits.find((eachLimit) => eachLimit.property === ask.property && eachLimit[ask.side] !== undefined);
/** The wish behind some words. If several words are about one property, those whose own number is nearest. */
export function wishOf(words: RoleWords, ask: Asking, use: Use): Wish | undefined {
  const wish = words.wishes.find((eachWish) => eachWish.property === ask.property);
  if (!wish) return undefined;
  const off = (asking: Asking) => Math.abs(asking.value - wish.toward);
  const meant = askings
    .filter((asking) => asking.property === ask.property && asking.for.includes(use))
    .reduce((asking, y) => (off(y) < off(asking) ? y : asking));
  return meant.id === ask.id ? wish : undefined;
}

/** One item that a game needs, as the choice sees it. */
export interface Role {
  /** `send`, `send2`, `implement`, `marker`, `blocker`, `target:<id>`. */
  id: string;
  use: Use;
  /** How an object moves, or how what hits a target does. */
  move: Move | null;
  /** For an object: who sends it and how far. For a target: from how far away, and with what. */
  sends?: Sends;
  /** It is met standing: touched, knocked over, gone through. */
  upright?: boolean;
  count: number;
  limits: readonly Limit[];
  wishes: readonly Wish[];
  /** The item as designed. Choosing exactly this costs nothing. */
  as: Item | null;
  /** May be left out, because the game goes on without it. */
  optional: boolean;
  /**
   * It is kept up, carried or tossed and not sent along the ground, so how far it would roll or slide does not
   * matter.
   */
  carried?: true;
  /** How a bat or racket is used. */
  held?: ImplementUse;
}

/** Two roles that must suit each other. */
export type Coupling =
  | { kind: "enters"; object: string; opening: string }
  | { kind: "passes"; object: string; gap: string }
  /** The object must knock it over, sent so. */
  | { kind: "topples"; object: string; pin: string; filling: number; sends: Sends }
  | { kind: "differs"; a: string; b: string };

/** The limits that an item breaks. */
export function broken(item: Item, limits: readonly Limit[], at: Where): Limit[] {
  return limits.filter((eachLimit) => {
    const value = propertyOf(item, eachLimit.property, at);
    if (value === null) return true;
    return (
      (eachLimit.least !== undefined && value < eachLimit.least - 1e-9) ||
      (eachLimit.most !== undefined && value > eachLimit.most + 1e-9)
    );
  });
}
