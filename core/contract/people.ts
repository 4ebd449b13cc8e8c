import { type Ask, nearerBy, widerBy } from "../asks/ask.ts";
import type { Setup } from "./contract.ts";

/** What may be changed for one player to make a match fair, in the order in which it is tried unless a teacher says otherwise. */
export const FAIR_KNOBS = ["head", "line", "target", "hand", "posture"] as const;
export type FairKnob = (typeof FAIR_KNOBS)[number];

/** Who has a turn, by number: all but those who only help. */
export const whoPlays = ({ players, people }: Setup): number[] =>
  Array.from({ length: players }, (_, i) => i).filter((i) => people?.[i]?.role !== "feeds");
/** The points that a side begins with: the head starts of its players together. */
export const headOf = ({ people }: Setup, side: readonly number[]): number =>
  side.reduce((sum, i) => sum + (people?.[i]?.head ?? 0), 0);
/** What is asked of somebody who plays with the other hand, whatever it is, or from a line of its own. */
export const asTheyPlay = ({ people }: Setup, asks: Ask[]): Ask[] =>
  people?.some((p) => p.otherHand || p.nearer || p.posture || p.wider)
    ? asks.map((ask) => {
        const { otherHand = false, nearer = 0, posture, wider = 1 } = people[ask.player] ?? {};
        const by = widerBy(nearerBy(ask, nearer), wider);
        if (!("manner" in by) || (!otherHand && !posture)) return by;
        return {
          ...by,
          manner: { ...by.manner, ...(otherHand && { hand: "other" as const }), ...(posture && { posture }) },
        };
      })
    : asks;
/** In what the child itself plays otherwise than the others do: goes compare only with goes played alike. */
export function ownWay({ people }: Setup): Record<string, string | number> | null {
  const { otherHand = false, nearer = 0, posture, wider = 1 } = people?.[0] ?? {};
  if (!otherHand && nearer === 0 && !posture && wider === 1) return null;
  return {
    ...(otherHand && { hand: "other" }),
    ...(nearer !== 0 && { nearer }),
    ...(posture && { posture }),
    ...(wider !== 1 && { wider }),
  };
}
