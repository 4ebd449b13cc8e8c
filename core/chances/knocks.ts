import { random } from "../random.ts";

/** A pin as another one hits it: where it stands from the line, how wide and high it is, metres. */
export interface Knocked {
  id: string;
  distance: number;
  across: number;
  width: number;
  height: number;
}

/**
 * The chance that a falling pin knocks over one that it just touches, straight ahead. An assumption, as is how it
 * fades with the gap and the direction. See docs/model.md.
 */
const TOUCHING = 0.6;
/**
 * Up to this many pins, every way in which they may knock each other over is computed. For more, this many are drawn.
 */
export const MAX_EXACT = 6;
const DRAWN = 400;

/**
 * The chance that pin `knocked`, falling, knocks over pin `givenKnocked`. It reaches as far as it is high, with less
 * effect farther away. It falls in the object's direction, seldom sideways (half as likely), never backwards.
 */
export function knockChance(knocked: Knocked, givenKnocked: Knocked): number {
  const [along, across] = [givenKnocked.distance - knocked.distance, givenKnocked.across - knocked.across];
  const far = Math.hypot(along, across);
  const gap = Math.max(0, far - (knocked.width + givenKnocked.width) / 2);
  const ahead = far === 0 ? 1 : (1 + along / far) / 2;
  return TOUCHING * Math.max(0, 1 - gap / knocked.height) * ahead;
}

type Sets = ReadonlyMap<string, number>;
const idsOf = (key: string) => (key === "" ? [] : key.split(" "));

/**
 * What lies in the end, because fallen pins may knock over more pins, and those again more. `sets`: the sets of ids
 * that the object itself knocked over, sorted and joined by spaces, with their chances; `may`: which pins can fall at
 * all. Exact up to six pins, otherwise drawn with a seed of its own.
 */
export function withKnocks(sets: Sets, pins: readonly Knocked[], may: (id: string) => boolean): Map<string, number> {
  const count = pins.length;
  const place = new Map(pins.map((pin, i) => [pin.id, i]));
  const chance = pins.map((pin) =>
    pins.map((knocked) => (pin === knocked || !may(knocked.id) ? 0 : knockChance(pin, knocked))),
  );
  const out = new Map<number, number>();
  const add = (set: number, givenChance: number) => out.set(set, (out.get(set) ?? 0) + givenChance);
  /** The chance that pin `b` is knocked over by those that have just fallen. */
  const hit = (b: number, just: number) => {
    let stands = 1;
    for (let a = 0; a < count; a++) if (just & (1 << a)) stands *= 1 - chance[a]![b]!;
    return 1 - stands;
  };
  /** Goes through everything that may fall next, pin by pin. */
  const goOn = (down: number, just: number, givenChance: number): void => {
    if (just === 0) {
      add(down, givenChance);
      return;
    }
    let ways: [next: number, p: number][] = [[0, givenChance]];
    for (let b = 0; b < count; b++) {
      const q = down & (1 << b) ? 0 : hit(b, just);
      if (q > 0)
        ways = ways.flatMap(([next, weight]): [number, number][] => [
          [next, weight * (1 - q)],
          [next | (1 << b), weight * q],
        ]);
    }
    for (const [next, weight] of ways) if (weight > 0) goOn(down | next, next, weight);
  };
  const draw = random(count);
  const drawn = (down: number, just: number): number => {
    let [lies, fresh] = [down, just];
    while (fresh !== 0) {
      let next = 0;
      for (let b = 0; b < count; b++) if (!(lies & (1 << b)) && draw() < hit(b, fresh)) next |= 1 << b;
      lies |= next;
      fresh = next;
    }
    return lies;
  };
  for (const [key, p] of sets) {
    const first = idsOf(key).reduce((set, id) => set | (1 << place.get(id)!), 0);
    if (first === 0 || count <= MAX_EXACT) goOn(first, first, p);
    else for (let k = 0; k < DRAWN; k++) add(drawn(first, first), p / DRAWN);
  }
  const named = (set: number) =>
    pins
      .filter((_, i) => set & (1 << i))
      .map((pin) => pin.id)
      .sort()
      .join(" ");
  return new Map([...out].map(([set, p]) => [named(set), p]));
}
