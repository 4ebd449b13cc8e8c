import type { Ask } from "../asks/ask.ts";
import type { Setup } from "./contract.ts";

/** Who has a turn, by number: all but those who only help. */
export const whoPlays = ({ players, people }: Setup): number[] =>
  Array.from({ length: players }, (_, i) => i).filter((i) => people?.[i]?.role !== "feeds");
/** The points that a side begins with: the head starts of its players together. */
export const headOf = ({ people }: Setup, side: readonly number[]): number =>
  side.reduce((sum, i) => sum + (people?.[i]?.head ?? 0), 0);
/** What is asked of somebody who plays with the other hand, whatever it is. */
export const withHands = ({ people }: Setup, asks: Ask[]): Ask[] =>
  people?.some((p) => p.otherHand)
    ? asks.map((ask) =>
        "manner" in ask && people[ask.player]?.otherHand
          ? { ...ask, manner: { ...ask.manner, hand: "other" as const } }
          : ask,
      )
    : asks;
