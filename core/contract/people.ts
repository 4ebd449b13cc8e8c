import { type Ask, guardedBy, nearerBy, widerBy } from "../asks/ask.ts";
import { memoizeByIdentity } from "../memoize.ts";
import type { Setup } from "./contract.ts";

/** From this share of ties on, the screen mentions them, and how they are decided. */
export const MANY_TIES = 0.1;
/**
 * What may be changed for one player to make a match fair, in the order in which it is tried unless a teacher chooses
 * another one.
 */
export const FAIR_KNOBS = ["head", "line", "target", "court", "hand", "posture"] as const;
export type FairKnob = (typeof FAIR_KNOBS)[number];

/** The players who take turns, by number: all except those who only help. */
export const whoPlays = ({ players, people }: Setup): number[] =>
  Array.from({ length: players }, (_, i) => i).filter((i) => people?.[i]?.role !== "feeds");
/** The points with which a side begins: the head starts of its players added up. */
export const headStartOf = ({ people }: Setup, side: readonly number[]): number =>
  side.reduce((sum, i) => sum + (people?.[i]?.head ?? 0), 0);
/** The asks of a player who uses the other hand for everything, or plays from a line of their own. */
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
/** The width of each player's court or goal as a factor, by number. The same people give the same list. */
const courtsOf = memoizeByIdentity((people: NonNullable<Setup["people"]>): number[] =>
  people.map((person) => person.court ?? 1),
);
/** How the child plays differently from the others. Goes are compared only with goes played in the same way. */
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
