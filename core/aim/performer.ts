import type { Doing, Gate, Manner } from "../asks/ask.ts";
import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import { logistic } from "../log-odds.ts";
import type { Age } from "../measures/stature.ts";
import { GRAVITY } from "../physics/floor.ts";
import { type Goalkeeper, goalkeeperOf, mannerOdds, objectOdds, oddsAt } from "./goalkeeper.ts";
import { agePrior } from "./priors.ts";

/**
 * The time of a task while the object is in the air, seconds. An assumption, like everything below. See
 * docs/model.md.
 */
const TAKES = { catch: 0, clap: 0.35, touchFloor: 0.8, turn: 1.1 } as const;
type Tossed = keyof typeof TAKES;
/** What a tenth of a second to spare adds to the log-odds, and what a metre of height takes away. */
const SPARE = 0.15;
const HIGHER = 0.6;
/** The time between two tosses, seconds. */
const GATHER = 1;
/**
 * The chance that a child of 8 loses the object in a tenth of a second. It grows with the square of the age's spread.
 */
const LOSES = { balance: 0.006, carry: 0.004 } as const;
/** Nobody walks at full speed with an object in the hand. */
const CAREFUL = 0.7;
/** Seconds for one repetition of a short exercise that does not say. */
const USUAL_EXERCISE = 1.5;
const USUAL = { height: 1, seconds: 10, metres: 4 };

/** The time in the air of a toss `height` metres above the hand that is caught at the hand's height, seconds. */
export const airTime = (height: number): number => 2 * Math.sqrt((2 * height) / GRAVITY);
/** True if a task is possible at all at that height. */
export const canToss = (id: Doing["id"], height: number): boolean =>
  !(id in TAKES) || airTime(height) > TAKES[id as Tossed];

/** The lowest toss that leaves time for a task, metres above the hand, in whole tenths. 0 for tasks without a toss. */
export const leastToss = (id: Doing["id"]): number =>
  id in TAKES ? (Math.floor(10 * ((GRAVITY * TAKES[id as Tossed] ** 2) / 8)) + 1) / 10 : 0;

/** What a gate of a course adds to the log-odds of keeping a ball at the foot or the stick. */
const GATE = { weave: -0.3, circle: 0.1, gap: 0.3, stop: 0.5, shot: -0.5 } as const;
/** The speed with a ball relative to walking. */
const DRIBBLES = 1.2;
/**
 * One gate of a course for a person: the chance, its seconds whether it succeeds or not, and the time until the ball
 * is back at the foot after a miss.
 */
export interface AtGate {
  p: number;
  seconds: number;
  retrieving: number;
}
/** How somebody of that age gets through a gate. */
export function gateOf(age: Age, gate: Gate, item: Item, floor: Floor, manner: Manner, off = 0): AtGate {
  const { walking } = agePrior(age);
  const { lies, restart } = goalkeeperOf(age, item, floor, manner);
  return {
    p: logistic(oddsAt(age) + off + GATE[gate.kind] + mannerOdds(manner)),
    seconds: gate.metres / (DRIBBLES * walking),
    retrieving: (2 * lies) / walking + restart,
  };
}

/**
 * How somebody of that age does a task (`off` shifts the log-odds for one child): the chance, its seconds (`touch`,
 * also those of a failure), and the cost of a drop. For a toss, the time to spare enters the log-odds, and without
 * any it is impossible. An object that is held still or carried is lost with the same chance in every tenth of a
 * second. Source: core model, "Chances that are not a spread".
 */
export function performerOf(
  age: Age,
  item: Item,
  floor: Floor,
  task: Doing,
  manner: Manner,
  off = 0,
): Goalkeeper & { failed: number } {
  if (task.id === "exercise") {
    const seconds = (task.seconds ?? USUAL_EXERCISE) * agePrior(age).tempo;
    return { p: 1, touch: seconds, failed: seconds, lies: 0, restart: 0 };
  }
  const { lies, restart } = goalkeeperOf(age, item, floor, manner);
  if (task.id === "balance" || task.id === "carry") {
    const { multiplier, walking } = agePrior(age);
    const q = Math.min(0.5, LOSES[task.id] * multiplier ** 2 * Math.exp(-off));
    const seconds =
      task.id === "balance" ? (task.seconds ?? USUAL.seconds) : (task.metres ?? USUAL.metres) / (CAREFUL * walking);
    const tenths = Math.round(10 * seconds);
    const chance = (1 - q) ** tenths;
    // The mean time until the object is lost, if it is lost before the end.
    const failed = chance >= 1 ? seconds : (1 / q - (tenths * chance) / (1 - chance)) / 10;
    return {
      p: chance,
      touch: seconds,
      failed: Math.max(0.1, failed),
      lies: task.id === "balance" ? 0 : lies,
      restart,
    };
  }
  const height = task.height ?? USUAL.height;
  const spare = airTime(height) - TAKES[task.id];
  const odds = oddsAt(age) + off + objectOdds(item) + mannerOdds(manner) - HIGHER * height + SPARE * 10 * spare;
  const p = spare > 0 ? logistic(odds) : 0;
  return { p, touch: airTime(height) + GATHER, failed: airTime(height), lies, restart };
}
