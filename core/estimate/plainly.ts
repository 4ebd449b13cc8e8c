import { type Action, actionFacts, isSend } from "../actions/actions.ts";
import { oddsAt } from "../aim/goalkeeper.ts";
import { hitChance } from "../aim/hit.ts";
import { playerModel } from "../aim/player.ts";
import type { Phrase } from "../contract/contract.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import type { Age } from "../measures/stature.ts";
import type { Axis } from "./grid.ts";

/**
 * The width of a dinner plate, metres; how near to a line a slide must stop; and from how far away, for the youngest
 * and for the others. Our own images for a number.
 */
const PLATE = 0.27;
const NEAR_LINE = 0.25;
const YOUNG = 7;
const FROM = { young: 2, other: 3 } as const;

const farFor = (age: Age) => (age !== "adult" && age < YOUNG ? FROM.young : FROM.other);

/**
 * The chance, 0 to 1, that puts a number on the spread axis into words: a sock ball at a dinner plate from 2 m (under
 * seven) or 3 m, on carpet; for a slide, to stop within 25 cm of a line at that distance.
 */
export function plateChance(action: Action, multiplier: number, age: Age): number {
  const player = playerModel({ age, multiplier }, action, catalogueItem("sockBall")!, "carpet");
  const distance = farFor(age);
  const { diameter } = player.object;
  const { travel } = actionFacts[action];
  const shot = { distance, spread: player.spread, object: { diameter } };
  if (travel === "slide")
    return hitChance({ kind: "band", near: distance - NEAR_LINE, far: distance + NEAR_LINE, lineRule: "centre" }, shot);
  return hitChance({ kind: "touch", width: PLATE, ...(travel === "air" && { height: PLATE }) }, shot);
}
/** The usual number of touches in a row for a number on the skill axis: the mean of a run. */
export const usualRun = (skill: number, age: Age): number => Math.exp(oddsAt(age) + skill);

/** A number on an axis in words that a parent understands: `hits a dinner plate from 3 m about 7 times in 10`. */
export function plainly(action: Action, axis: Axis, value: number, age: Age): Phrase {
  if (axis === "skill" || !isSend(action)) {
    return {
      key: "plain.run",
      params: { count: Math.max(0, Math.round(axis === "skill" ? usualRun(value, age) : 0)) },
    };
  }
  const times = Math.round(10 * plateChance(action, value, age));
  const slide = actionFacts[action].travel === "slide";
  return { key: slide ? "plain.stops" : "plain.plate", params: { times, metres: farFor(age), cm: 100 * NEAR_LINE } };
}
