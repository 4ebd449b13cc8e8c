import type { BaseState, Phrase } from "../contract/contract.ts";

/** How it ends where a side has nobody left and the others cannot go on without it. */
export const LEFT: Phrase = { key: "play.end.left" };

interface Seated {
  sides: readonly (readonly number[])[];
}
/** The side of somebody, by number; -1: on none. */
export const sideOf = (s: Seated, who: number): number => s.sides.findIndex((x) => x.includes(who));

/** A side without somebody, begun so that whoever came next after `turns` turns still does: with the leaver gone, the one after it. */
export function without(players: readonly number[], who: number, turns: number): number[] {
  const n = players.length;
  const order = Array.from({ length: n }, (_, i) => players[(turns + i) % n]!).filter((p) => p !== who);
  const shift = order.length === 0 ? 0 : turns % order.length;
  return order.map((_, i) => order[(i - shift + order.length) % order.length]!);
}
/** A side with one more, at the end of its order: whoever came next after `turns` turns still does. */
export function including(players: readonly number[], who: number, turns: number): number[] {
  const n = players.length;
  const order = [...Array.from({ length: n }, (_, i) => players[(turns + i) % n]!), who];
  const shift = turns % order.length;
  return order.map((_, i) => order[(i - shift + order.length) % order.length]!);
}

/** Two sides, or one, without somebody: its own side goes on with those who are left, or it is over and that side is out. */
export function leaves<S extends Seated & BaseState & { over: boolean }>(s: S, who: number, turns: number): S {
  const i = sideOf(s, who);
  const rest = without(s.sides[i]!, who, turns);
  if (rest.length === 0) return { ...s, over: true, out: [i] };
  return { ...s, sides: s.sides.map((x, k) => (k === i ? rest : x)) };
}
/** Lists with one entry a side, without the one of a side. */
export const cut = <T>(list: readonly T[], side: number): T[] => list.filter((_, i) => i !== side);
/** A side by number, once another one is gone; the one that is gone hands on to the next. */
export const renumbered = (side: number, gone: number, sides: number): number =>
  (side > gone ? side - 1 : side) % (sides - 1);
/** A side with one more. */
export const joins = <S extends Seated>(s: S, who: number, side: number, turns: number): S => ({
  ...s,
  sides: s.sides.map((x, k) => (k === side ? including(x, who, turns) : x)),
});
/** Whether a side is out: it is not ranked. */
export const isOut = (s: BaseState, side: number): boolean => s.out?.includes(side) ?? false;
