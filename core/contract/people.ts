import { type Ask, guardedBy, nearerBy, widerBy } from "../asks/ask.ts";
import { memoizeByIdentity } from "../memoize.ts";
import type { Setup } from "./contract.ts";

/** Where so many games end level it is said, and how they are decided. */
export const MANY_TIES = 0.1;
/** What may be changed for one player to make a match fair, in the order in which it is tried unless a teacher says otherwise. */
export const FAIR_KNOBS = ["head", "line", "target", "court", "hand", "posture"] as const;
export type FairKnob = (typeof FAIR_KNOBS)[number];

/** Who has a turn, by number: all but those who only help. */
export const whoPlays = ({ players, people }: Setup): number[] =>
  Array.from({ length: players }, (_, i) => i).filter((i) => people?.[i]?.role !== "feeds");
/** The points that a side begins with: the head starts of its players together. */
export const headStartOf = ({ people }: Setup, side: readonly number[]): number =>
  side.reduce((sum, i) => sum + (people?.[i]?.head ?? 0), 0);
/** What is asked of somebody who plays with the other hand, whatever it is, or from a line of its own. */
export const asTheyPlay = ({ people }: Setup, asks: Ask[]): Ask[] =>
  people?.some((person) => person.otherHand || person.nearer || person.posture || person.wider || person.court)
    ? asks.map((ask) => {
        const { otherHand = false, nearer = 0, posture, wider = 1 } = people[ask.player] ?? {};
        const by = guardedBy(widerBy(nearerBy(ask, nearer), wider), courtsOf(people));
        if (!("manner" in by) || (!otherHand && !posture)) return by;
        return {
          ...by,
          manner: { ...by.manner, ...(otherHand && { hand: "other" as const }), ...(posture && { posture }) },
        };
      })
    : asks;
/** How many times as wide the court or goal of each is, by number; the same list for the same people. */
const courtsOf = memoizeByIdentity((people: NonNullable<Setup["people"]>): number[] =>
  people.map((person) => person.court ?? 1),
);
/** In what the child itself plays otherwise than the others do: goes compare only with goes played alike. */
export function ownWay({ people }: Setup): Record<string, string | number> | null {
  const { otherHand = false, nearer = 0, posture, wider = 1, court = 1 } = people?.[0] ?? {};
  if (!otherHand && nearer === 0 && !posture && wider === 1 && court === 1) return null;
  return {
    ...(otherHand && { hand: "other" }),
    ...(nearer !== 0 && { nearer }),
    ...(posture && { posture }),
    ...(wider !== 1 && { wider }),
    ...(court !== 1 && { court }),
  };
}
