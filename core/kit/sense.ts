import type { Action } from "../actions/actions.ts";
import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import { doesFor } from "./implements.ts";
import type { Role } from "./role.ts";

/**
 * What no home is asked to do, whatever an activity says. Each has its reason as a message `sense.<id>`, which a
 * teacher can read next to the list of items. None of these rules is ever dropped.
 */
export const SENSE = [
  /** Nothing that breaks is sent, aimed at or stood in the way. */
  "breakable",
  /**
   * Glass, cans under pressure, cleaning products and medicine are not for playing. They are not in the list, and
   * cannot be added to it by name.
   */
  "never",
  /** Indoors nothing hard is thrown. */
  "hardThrow",
  /** Nothing hard is kicked, except a ball. */
  "hardKick",
  /** Heavy metal items are knocked over only outdoors or on carpet. */
  "heavyMetal",
  /** An item that lies flat is no target for rolling or sliding. */
  "flatRoll",
  /** Nothing is sent where it barely moves: no sliding on grass. */
  "pointless",
  /** Big swings need room. */
  "noRoom",
  /** A bat or racket is long, light and wide enough for its use. */
  "notForThis",
] as const;
export type Sense = (typeof SENSE)[number];

/** Below this softness an item counts as hard, 0 to 1: for throwing indoors, and for kicking. */
const SOFT_TO_THROW = 0.5;
const SOFT_TO_KICK = 0.2;
/** Up to this drag an item rolls like a ball. */
const A_BALL = 1.3;
/** Lower than this an item lies flat for what rolls, metres. */
const FLAT = 0.05;
/** Heavier metal must not fall on a hard floor, kilograms. */
const HEAVY_METAL = 0.25;

/** The rule that an item breaks in a role. Null if none. */
export function senseless(item: Item, role: Role, indoors: boolean): Sense | null {
  const { use } = role;
  if (item.name !== "" && neverIn(item.name)) return "never";
  if (item.breakable && (use === "target" || use === "blocker" || use === "send")) return "breakable";
  if (use === "send" && indoors && role.move === "air" && item.softness < SOFT_TO_THROW) return "hardThrow";
  if (use === "send" && role.sends?.action === "kick" && item.softness < SOFT_TO_KICK && (item.drag ?? 9) > A_BALL)
    return "hardKick";
  if (use === "implement" && role.held && item.id !== role.as?.id && !doesFor(item, role.held)) return "notForThis";
  const rolled = role.move === "ground" || role.move === "slide";
  if (use === "target" && rolled && role.upright && item.id !== role.as?.id && item.height < FLAT) return "flatRoll";
  return null;
}

/** True if something metal is too heavy to be knocked over there. `filling`: the share of what it holds, 0 to 1. */
export const tooHeavyToFall = (item: Item, filling: number, floor: Floor, indoors: boolean): boolean =>
  indoors &&
  floor !== "carpet" &&
  item.material === "metal" &&
  item.mass + filling * (item.contents ?? 0) > HEAVY_METAL;

/** The straight distance that an action with a big swing needs, metres. Left out: none. Assumptions. */
export const ROOM_FOR: Partial<Record<Action, number>> = {
  overarmThrow: 4,
  straightArmBowl: 5,
  kick: 3,
  shortStrike: 3,
  longStrike: 3,
  twoHandStrike: 5,
  forehand: 3,
  backhand: 3,
};
/**
 * What is done instead if an action makes no sense in a home, and nothing that the teacher allows does either. It
 * needs no kit.
 */
export const PLAINER: Record<Action, Action> = {
  underarmRoll: "underarmRoll",
  slide: "underarmRoll",
  kick: "underarmRoll",
  longStrike: "underarmRoll",
  underarmThrow: "underarmThrow",
  overarmThrow: "underarmThrow",
  straightArmBowl: "underarmThrow",
  pushThrow: "underarmThrow",
  shortStrike: "underarmThrow",
  twoHandStrike: "underarmThrow",
  handStrike: "underarmThrow",
  forehand: "underarmThrow",
  backhand: "underarmThrow",
  keepUp: "keepUp",
  catch: "catch",
  tossCatch: "tossCatch",
  carry: "carry",
  dribbleFoot: "dribbleFoot",
  dribbleStick: "dribbleFoot",
  balance: "balance",
};

/** Words for glass, pressure, cleaning and medicine. */
const NEVER =
  /\b(glass|glasses|jam ?jar|mirror|aerosols?|spray ?cans?|sprays?|deodorants?|lighters?|matches|bleach|detergent|cleaners?|cleaning|polish|disinfectant|medicines?|pills?|tablets?|syrup|syringes?|batter(y|ies)|knife|knives|scissors|razors?|fireworks?)\b/i;
/** The word in a name that keeps an item out of play. Null if there is none. */
export const neverIn = (name: string): string | null => NEVER.exec(name)?.[0] ?? null;
