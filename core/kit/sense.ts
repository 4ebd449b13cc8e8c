import type { Action } from "../actions/actions.ts";
import type { Floor } from "../things/floors.ts";
import type { Item } from "../things/item.ts";
import { doesFor } from "./implements.ts";
import type { Role } from "./role.ts";

/**
 * What no home is asked to do, whatever an activity says: one list, each with its reason as a message `sense.<id>` that a teacher can read
 * beside the list of things. None of these is ever let go.
 */
export const SENSE = [
  /** Nothing that breaks is sent, aimed at or stood in the way. */
  "breakable",
  /** Glass, cans under pressure, cleaning things and medicine are no playthings; they are not in the list, and not taken into it by name. */
  "never",
  /** Indoors nothing hard is thrown. */
  "hardThrow",
  /** Nothing hard is kicked but a ball. */
  "hardKick",
  /** Heavy metal things are knocked over outdoors or on carpet only. */
  "heavyMetal",
  /** What is rolled or slid goes over what lies flat. */
  "flatRoll",
  /** Where it hardly moves it is not sent: sliding on grass. */
  "pointless",
  /** Big swings need room. */
  "noRoom",
  /** What is held is long, light and wide enough for how it is used. */
  "notForThis",
] as const;
export type Sense = (typeof SENSE)[number];

/** Softer than this counts as hard, 0 to 1: thrown indoors, kicked. */
const SOFT_TO_THROW = 0.5;
const SOFT_TO_KICK = 0.2;
/** Up to this drag a thing rolls like a ball. */
const A_BALL = 1.3;
/** Lower than this a thing lies flat for what rolls, metres. */
const FLAT = 0.05;
/** Metal that weighs more falls on no hard floor, kilograms. */
const HEAVY_METAL = 0.25;

/** The rule that a thing breaks in a role, or null. */
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

/** Whether something metal is too heavy to be knocked over there. `filling`: 0 to 1 of what it holds. */
export const tooHeavyToFall = (item: Item, filling: number, floor: Floor, indoors: boolean): boolean =>
  indoors &&
  floor !== "carpet" &&
  item.material === "metal" &&
  item.mass + filling * (item.contents ?? 0) > HEAVY_METAL;

/** The straight way that an action with a big swing needs, metres; 0: none. Assumptions. */
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
/** What is done where an action makes no sense in a home and nothing that the teacher allows does either: with what needs no kit. */
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

/** Names that stand for glass, pressure, cleaning or medicine. */
const NEVER =
  /\b(glass|glasses|jam ?jar|mirror|aerosols?|spray ?cans?|sprays?|deodorants?|lighters?|matches|bleach|detergent|cleaners?|cleaning|polish|disinfectant|medicines?|pills?|tablets?|syrup|syringes?|batter(y|ies)|knife|knives|scissors|razors?|fireworks?)\b/i;
/** The word in a name for which a thing is never taken into play, or null. */
export const neverIn = (name: string): string | null => NEVER.exec(name)?.[0] ?? null;
