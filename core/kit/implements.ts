import type { Action } from "../actions/actions.ts";
import type { Item } from "../items/item.ts";

/** How an item is held and used to strike, push or carry. Lengths and widths in metres, mass in kilograms. */
export interface ImplementUse {
  hands: 1 | 2;
  how: "swing" | "push" | "keepUp" | "balance";
  /** From end to end. */
  length: { least: number; most: number };
  /** A child of six cannot stop a heavier one in time: an assumption. */
  mostMass: number;
  /** The least width of the surface that meets the ball. */
  leastFace: number;
  /** The bare hand will do as well. It will not if hands on the ball are a foul. */
  bareHand: boolean;
  /** The item used if an activity does not say. */
  usual: string;
}

const KEEP_UP: ImplementUse = {
  hands: 1,
  how: "keepUp",
  length: { least: 0.15, most: 0.75 },
  mostMass: 0.4,
  leastFace: 0.1,
  bareHand: true,
  usual: "platePaddle",
};
const PUSH: ImplementUse = {
  hands: 2,
  how: "push",
  length: { least: 0.45, most: 1.6 },
  mostMass: 1.2,
  leastFace: 0.02,
  bareHand: false,
  usual: "broom",
};
const RACKET: ImplementUse = {
  hands: 1,
  how: "swing",
  length: { least: 0.24, most: 0.75 },
  mostMass: 0.4,
  leastFace: 0.05,
  bareHand: true,
  usual: "racket",
};
/** Actions that need an implement. The figures are a teacher's assumptions. */
const ALWAYS: Partial<Record<Action, ImplementUse>> = {
  shortStrike: { ...RACKET, length: { least: 0.15, most: 0.75 }, usual: "smallBat" },
  forehand: RACKET,
  backhand: RACKET,
  twoHandStrike: {
    hands: 2,
    how: "swing",
    length: { least: 0.45, most: 1 },
    mostMass: 0.42,
    leastFace: 0.02,
    bareHand: false,
    usual: "longTube",
  },
  longStrike: PUSH,
  dribbleStick: { ...PUSH, usual: "stick" },
};
/** Actions that use an implement only if the activity names one. */
const WHERE_SAID: Partial<Record<Action, ImplementUse>> = {
  carry: { ...KEEP_UP, how: "balance", leastFace: 0.05 },
  balance: { ...KEEP_UP, how: "balance", leastFace: 0.05 },
};
export const BARE_HAND = "bareHand";

/** How an action uses an implement. Null if it uses none. `named`: the activity names one. */
export const implementUseOf = (action: Action, named: boolean): ImplementUse | null =>
  ALWAYS[action] ?? (named ? (WHERE_SAID[action] ?? KEEP_UP) : null);

export const lengthOf = (item: Item): number => Math.max(item.width, item.depth, item.height);

/**
 * True if an item can be used in this way: long enough and not too long, light enough to be stopped, and wide enough
 * to meet a ball.
 */
export function doesFor(item: Item, use: ImplementUse): boolean {
  if (item.id === BARE_HAND) return use.bareHand;
  const length = lengthOf(item);
  return (
    length >= use.length.least && length <= use.length.most && item.mass <= use.mostMass && item.width >= use.leastFace
  );
}
