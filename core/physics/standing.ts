import { type Action, actionFacts } from "../aim/actions.ts";
import { agePrior } from "../aim/priors.ts";
import { type Standing, topples } from "../aim/topple.ts";
import type { Floor } from "../kit/floors.ts";
import type { Item } from "../kit/item.ts";
import type { Age } from "../measures/stature.ts";
import { GRAVITY, speedAfterRolling } from "./rolling.ts";
import { FRICTION } from "./sliding.ts";

/** Fillings are tried in steps of a twentieth. */
const STEPS = 20;

/** How a thing stands when filled so far, 0 to 1. */
export const standingOf = (i: Item, filling = 0): Standing => ({
  width: Math.min(i.width, i.depth),
  height: i.height,
  mass: i.mass,
  contents: i.contents ?? 0,
  filling,
});

/** Speed of what is sent when it meets something `metres` away, m/s: rolling and sliding slow it, the air hardly does. */
export function speedAt(object: Item, action: Action, metres: number, floor: Floor, age: Age = 8): number {
  const { travel, speed } = actionFacts[action];
  const start = speed * Math.sqrt(agePrior(age).strength);
  if (travel === "air") return start;
  if (travel === "ground" && object.drag !== null) return speedAfterRolling(start, metres, object.drag, floor);
  return Math.sqrt(Math.max(0, start ** 2 - 2 * GRAVITY * FRICTION[object.material][floor] * metres));
}

/** Whether a thing falls when this object meets it at this speed. */
export const falls = (target: Item, filling: number, object: Item, speed: number): boolean =>
  topples(standingOf(target, filling), { diameter: object.width, mass: object.mass, speed });

/** Whether a container tips when something lobbed catches its far rim. */
export const tips = (container: Item, filling: number, object: Item, speed: number): boolean =>
  topples(standingOf(container, filling), {
    diameter: object.width,
    mass: object.mass,
    speed,
    blowAt: container.height,
  });

/** Least filling, 0 to 1, from which on a container stays up when something lobbed catches its rim; null: it tips however full. */
export function steadyFrom(container: Item, object: Item, speed: number): number | null {
  const steps = container.contents ? STEPS : 0;
  const over = Array.from({ length: steps + 1 }, (_, k) => tips(container, k / STEPS, object, speed));
  const last = over.lastIndexOf(true);
  return last === steps ? null : (last + 1) / STEPS;
}

/** What filling does to a thing that may be knocked over. */
export interface Water {
  /** Least filling, 0 to 1, from which on it stays up; null: it falls however full. 0: it stands even empty. */
  standsFrom: number | null;
  /** Most filling up to which it falls; null: it never falls. */
  fallsTo: number | null;
  /** Litres (kilograms) of those. */
  litresToStand: number | null;
  litresToFall: number | null;
}

/** How much water makes a thing stand, or still lets it fall, against this object at this speed. */
export function waterFor(target: Item, object: Item, speed: number): Water {
  const steps = target.contents ? STEPS : 0;
  const down = Array.from({ length: steps + 1 }, (_, k) => falls(target, k / STEPS, object, speed));
  const last = down.lastIndexOf(true);
  const first = down.indexOf(false);
  const standsFrom = last === steps ? null : last === -1 ? 0 : (last + 1) / STEPS;
  const fallsTo = !down[0] ? null : first === -1 ? steps / STEPS : (first - 1) / STEPS;
  const litres = (share: number | null) => (share === null ? null : share * (target.contents ?? 0));
  return { standsFrom, fallsTo, litresToStand: litres(standsFrom), litresToFall: litres(fallsTo) };
}
