import type { Action } from "../actions/actions.ts";
import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import type { Move } from "../items/lists.ts";
import type { Age } from "../measures/stature.ts";
import { slideKeeps } from "../physics/floor.ts";
import { runsOn, sendingOf, USUAL_ACTION } from "../physics/send.ts";

/**
 * The properties that limits and wishes can use, each a number: metres, kilograms, shares 0 to 1, yes (1) or no (0).
 */
export const PROPERTIES = [
  "width",
  "height",
  "mass",
  "softness",
  "rebound",
  "noise",
  "runOn",
  "slides",
  "opening",
  "gap",
  "handling",
  "breakable",
  "ask",
  "made",
] as const;
export type Property = (typeof PROPERTIES)[number];

/** Where an item is used, as far as that affects how it behaves. */
export interface Where {
  floor: Floor;
  move: Move;
  /**
   * The action, the age of the player, and the distance. By default, the usual action for the move at 2.5 m by a
   * child of 8.
   */
  sends?: Sends;
}
export interface Sends {
  action: Action;
  age: Age;
  metres: number;
}
const USUAL = { age: 8, metres: 2.5 };
/** How something is sent there. */
export const sendsAt = (at: Where): Sends => at.sends ?? { action: USUAL_ACTION[at.move], ...USUAL };

function runOn(item: Item, at: Where): number {
  const { action, age, metres } = sendsAt(at);
  return runsOn(sendingOf(age, action, item, at.floor), metres);
}

/** The value of a property of an item there. Null if the item has no such property (no opening). */
export function propertyOf(item: Item, path: Property, at: Where): number | null {
  switch (path) {
    case "runOn":
      return runOn(item, at);
    case "slides":
      return slideKeeps(item.material, at.floor);
    case "breakable":
      return item.breakable ? 1 : 0;
    case "ask":
      return item.ask ? 1 : 0;
    case "made":
      return item.made?.minutes ?? 0;
    default:
      return item[path];
  }
}
