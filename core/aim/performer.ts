import type { Doing, Gate, Manner } from "../asks/ask.ts";
import { logistic } from "../log-odds.ts";
import type { Age } from "../measures/stature.ts";
import { GRAVITY } from "../physics/floor.ts";
import type { Floor } from "../things/floors.ts";
import type { Item } from "../things/item.ts";
import { type Goalkeeper, goalkeeperOf, mannerOdds, oddsAt, thingOdds } from "./goalkeeper.ts";
import { agePrior } from "./priors.ts";

/** What a task takes while the thing is in the air, seconds: assumptions, and so is all below. See docs/model.md. */
const TAKES = { catch: 0, clap: 0.35, touchFloor: 0.8, turn: 1.1 } as const;
type Tossed = keyof typeof TAKES;
/** A tenth of a second to spare adds this to the log-odds; a metre higher takes this away. */
const SPARE = 0.15;
const HIGHER = 0.6;
/** Between two tosses, seconds. */
const GATHER = 1;
/** Chance that a child of 8 loses it in a tenth of a second; it goes with the square of the spread of its age. */
const LOSES = { balance: 0.006, carry: 0.004 } as const;
/** With a thing in the hand nobody walks at full speed. */
const CAREFUL = 0.7;
/** Seconds of one of a short exercise that does not say. */
const USUAL_EXERCISE = 1.5;
const USUAL = { height: 1, seconds: 10, metres: 4 };

/** In the air when thrown `height` metres above the hand and caught where it was let go, seconds. */
export const airTime = (height: number): number => 2 * Math.sqrt((2 * height) / GRAVITY);
/** Whether a task can be done at all at that height. */
export const canToss = (id: Doing["id"], height: number): boolean =>
  !(id in TAKES) || airTime(height) > TAKES[id as Tossed];

/** The lowest toss that leaves time for a task, metres above the hand, in whole tenths; 0 for what is not tossed. */
export const leastToss = (id: Doing["id"]): number =>
  id in TAKES ? (Math.floor(10 * ((GRAVITY * TAKES[id as Tossed] ** 2) / 8)) + 1) / 10 : 0;

/** What a gate of a course adds to the log-odds of keeping a ball at the foot or the stick. */
const GATE = { weave: -0.3, circle: 0.1, gap: 0.3, stop: 0.5, shot: -0.5 } as const;
/** Metres a second with a ball, beside walking. */
const DRIBBLES = 1.2;
/** One gate of a course for somebody: the chance, its seconds whether it succeeds or not, and until the ball is back at the foot after a miss. */
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
 * How somebody of that age does a task (`off` moves the log-odds for one child): the chance, its seconds (`touch`; of a failure as well), and what a drop costs. A toss has the time that
 * is left over in its log-odds, and cannot be done where none is; held still or carried, it is lost in any tenth of a second with the same chance.
 * Source: core model, "Chances that are not a spread".
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
    // When it is lost, if it is: the mean over the tenths before the end.
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
  const odds = oddsAt(age) + off + thingOdds(item) + mannerOdds(manner) - HIGHER * height + SPARE * 10 * spare;
  const p = spare > 0 ? logistic(odds) : 0;
  return { p, touch: airTime(height) + GATHER, failed: airTime(height), lies, restart };
}
