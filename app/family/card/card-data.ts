import type { OpenCard } from "#server/cards/family.ts";

export type CardData = OpenCard & {
  token: string;
  opens: string;
  closes: string;
  /** The screen that the page was made for: a page kept on the device may be opened at another one. */
  asked: { screen: string | null; at: string | null };
};
export const STEPS = ["fetch", "setup", "look", "play", "handin"] as const;
export type Step = (typeof STEPS)[number];
/** The screen of an address; what is none of them is the first. */
export const stepOf = (asked: string | null): Step => STEPS.find((step) => step === asked) ?? "fetch";

/** What the family has ticked, kept for this card on this device. */
export interface Ticks {
  have: string[];
  look: string[];
  grownUp: boolean;
  /** The day of the look round: it holds for that day. */
  day: string;
  /** The go that the last look round was for; the next one needs its own. */
  of: string | null;
}
