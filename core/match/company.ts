import type { BaseState, Phrase } from "../contract/contract.ts";

/** How a match ends if a side has nobody left and the others cannot go on without it. */
export const LEFT: Phrase = { key: "play.end.left" };

interface Seated {
  sides: readonly (readonly number[])[];
}
/** The side of a player, by number. -1: none. */
export const sideOf = (seated: Seated, who: number): number => seated.sides.findIndex((side) => side.includes(who));

/**
 * A side without one player, rotated so that whoever was next after `turns` turns still is. If that was the leaver,
 * the player after them.
 */
export function without(players: readonly number[], who: number, turns: number): number[] {
  const count = players.length;
  const order = Array.from({ length: count }, (_, i) => players[(turns + i) % count]!).filter((p) => p !== who);
  const shift = order.length === 0 ? 0 : turns % order.length;
  return order.map((_, i) => order[(i - shift + order.length) % order.length]!);
}
/**
 * A side with one more player at the end of its order, rotated so that whoever was next after `turns` turns still is.
 */
export function including(players: readonly number[], who: number, turns: number): number[] {
  const count = players.length;
  const order = [...Array.from({ length: count }, (_, i) => players[(turns + i) % count]!), who];
  const shift = turns % order.length;
  return order.map((_, i) => order[(i - shift + order.length) % order.length]!);
}

/**
 * Two sides, or one, without a player. The side goes on with those who are left; if nobody is left, the match is over
 * and that side is out.
 */
export function leaves<S extends Seated & BaseState & { over: boolean }>(state: S, who: number, turns: number): S {
  const i = sideOf(state, who);
  const rest = without(state.sides[i]!, who, turns);
  if (rest.length === 0) return { ...state, over: true, out: [i] };
  return { ...state, sides: state.sides.map((side, k) => (k === i ? rest : side)) };
}
/** Lists with one entry for each side, without the entry of one side. */
export const cut = <T>(list: readonly T[], side: number): T[] => list.filter((_, i) => i !== side);
/** The new number of a side after another one was removed. The removed one passes to the next. */
export const renumbered = (side: number, gone: number, sides: number): number =>
  (side > gone ? side - 1 : side) % (sides - 1);
/** A side with one more player. */
export const joins = <S extends Seated>(state: S, who: number, side: number, turns: number): S => ({
  ...state,
  sides: state.sides.map((eachSide, k) => (k === side ? including(eachSide, who, turns) : eachSide)),
});
/** True if a side is out and therefore not ranked. */
export const isOut = (state: BaseState, side: number): boolean => state.out?.includes(side) ?? false;
