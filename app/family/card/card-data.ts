import type { Item } from "#core/items/item.ts";
import type { OpenCard } from "#server/cards/family.ts";

export type CardData = Omit<OpenCard, "zone" | "locale"> & {
  token: string;
  opens: string;
  closes: string;
  /** The built-in items that a match is played with, so that the device can work out a fair one. */
  items?: readonly Item[];
  /** The screen that the server rendered. A page stored on the device may be opened at another one. */
  asked: { screen: string | null; at: string | null };
};
export const STEPS = ["fetch", "setup", "look", "play", "handin"] as const;
export type Step = (typeof STEPS)[number];
/** The screen that an address asks for. If it asks for none, the first. */
export const stepOf = (asked: string | null): Step => STEPS.find((step) => step === asked) ?? "fetch";

/** What the family has ticked, kept for this card on this device. */
export interface Ticks {
  have: string[];
  look: string[];
  grownUp: boolean;
  /** The day of the safety check, which holds for that day. */
  day: string;
  /** The go that the last safety check was for. The next go needs its own. */
  of: string | null;
}
