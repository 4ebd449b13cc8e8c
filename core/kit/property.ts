import { runOnOf, slideKeepsOf } from "../physics/run-on.ts";
import type { Floor } from "./floors.ts";
import type { Item, Move } from "./item.ts";

/** What limits and wishes can speak of, each a number: metres, kilograms, shares 0 to 1, yes (1) or no (0). */
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

/** Where a thing is to be used, as far as it matters to what it does. */
export interface Where {
  floor: Floor;
  move: Move;
}

/** The value of a property of a thing there; null where the thing has no such property (no opening). */
export function propertyOf(i: Item, p: Property, at: Where): number | null {
  switch (p) {
    case "runOn":
      return runOnOf(i, at.floor, at.move);
    case "slides":
      return slideKeepsOf(i, at.floor);
    case "breakable":
      return i.breakable ? 1 : 0;
    case "ask":
      return i.ask ? 1 : 0;
    case "made":
      return i.made?.minutes ?? 0;
    default:
      return i[p];
  }
}
