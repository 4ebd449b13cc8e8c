import type { Item } from "../items/item.ts";
import { GRAVITY } from "./floor.ts";
import { pathTo } from "./send.ts";
import type { Sending } from "./sending.ts";
import { type Blow, type Standing, topples } from "./topple.ts";

/** Fillings are tried in steps of a twentieth. */
const STEPS = 20;

/** How an item stands when filled this far, 0 to 1. */
export const standingOf = (item: Item, filling = 0): Standing => ({
  width: Math.min(item.width, item.depth),
  height: item.height,
  mass: item.mass,
  contents: item.contents ?? 0,
  filling,
});

/**
 * The blow of an object that is sent to knock something over `metres` away: at its middle in the air; low on the
 * floor, after rolling has slowed it.
 */
export function blowTo(sending: Sending, metres: number, height: number): Blow {
  const flies = sending.travel === "air";
  const path = pathTo(sending, metres, flies ? height / 2 : 0, "fell");
  return {
    diameter: sending.item.width,
    mass: sending.item.mass,
    speed: path.gets ? path.speedAt(metres) : 0,
    ...(flies && { at: height / 2 }),
  };
}
/** True if an item falls to this send from this distance. */
export const falls = (target: Item, filling: number, sending: Sending, metres: number): boolean =>
  topples(standingOf(target, filling), blowTo(sending, metres, target.height));

/** True if a container tips when an object lobbed from this distance catches its far rim. */
export function tips(container: Item, filling: number, sending: Sending, metres: number): boolean {
  const speed = pathTo(sending, metres, container.height).speedAt(metres);
  const blow = { diameter: sending.item.width, mass: sending.item.mass, speed, at: container.height };
  return topples(standingOf(container, filling), blow);
}

/**
 * The least filling, 0 to 1, with which a container stays up when a lobbed object catches its rim. Null: it tips
 * however full it is.
 */
export function steadyFrom(container: Item, sending: Sending, metres: number): number | null {
  const steps = container.contents ? STEPS : 0;
  const over = Array.from({ length: steps + 1 }, (_, k) => tips(container, k / STEPS, sending, metres));
  const last = over.lastIndexOf(true);
  return last === steps ? null : (last + 1) / STEPS;
}

/** What filling does to an item that may be knocked over. */
export interface Water {
  /** The least filling, 0 to 1, with which it stays up. Null: it falls however full it is. 0: it stands even empty. */
  standsFrom: number | null;
  /** The most filling with which it falls. Null: it never falls. */
  fallsTo: number | null;
  /** The same in litres (kilograms). */
  litresToStand: number | null;
  litresToFall: number | null;
}

/** How much water makes an item stand, or still lets it fall, against this send from this distance. */
export function waterFor(target: Item, sending: Sending, metres: number): Water {
  const steps = target.contents ? STEPS : 0;
  const down = Array.from({ length: steps + 1 }, (_, k) => falls(target, k / STEPS, sending, metres));
  const last = down.lastIndexOf(true);
  const first = down.indexOf(false);
  const standsFrom = last === steps ? null : last === -1 ? 0 : (last + 1) / STEPS;
  const fallsTo = !down[0] ? null : first === -1 ? steps / STEPS : (first - 1) / STEPS;
  const litres = (share: number | null) => (share === null ? null : share * (target.contents ?? 0));
  return { standsFrom, fallsTo, litresToStand: litres(standsFrom), litresToFall: litres(fallsTo) };
}

/**
 * True if an object that rolls into a lying container climbs its lip. A ball of radius r meets an edge of height l,
 * keeps 1 - 5 l / 7 r of its speed, and needs 0.7 v^2 >= g l. It never climbs an edge higher than its middle. 8 cm
 * over 1 cm: 0.46 m/s.
 */
export function climbs(diameter: number, lip: number, speed: number): boolean {
  const r = diameter / 2;
  if (lip >= r) return false;
  const kept = speed * (1 - (5 * lip) / (7 * r));
  return 0.7 * kept ** 2 >= GRAVITY * lip;
}
/** True if an object comes down steeply enough to drop into an opening: over the near rim and below the far one. */
export const dropsIn = (opening: number, diameter: number, angle: number): boolean =>
  Math.tan(angle) * opening >= diameter;
