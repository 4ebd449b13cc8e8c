import { type Action, actionFacts } from "../actions/actions.ts";
import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import type { Move } from "../items/lists.ts";
import type { Age } from "../measures/stature.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import { dragLength, farOf, throughAir } from "./air.ts";
import { bounceFarthest, bouncePath } from "./bounce.ts";
import { decelerationOf, GRAVITY, stopsAfter } from "./floor.ts";
import { runAfterLanding } from "./landing.ts";
import { type How, releaseOf } from "./release.ts";
import type { Path, Sending } from "./sending.ts";

/** The usual action for each way of moving, if only that is known. */
export const USUAL_ACTION: Record<Move, Action> = { ground: "underarmRoll", slide: "slide", air: "underarmThrow" };

/** A person of that age sends an object on a floor. */
export function sendingOf(age: Age, action: Action, item: Item, floor: Floor, how: How = {}): Sending {
  const { travel } = actionFacts[action];
  const flies = travel === "air";
  return {
    travel,
    ...releaseOf(action, age, item.mass, how),
    slows: flies ? 0 : decelerationOf(item, floor, travel),
    air: flies ? dragLength(item) : Number.POSITIVE_INFINITY,
    item,
    floor,
  };
}

/** The speed that is meant to be left when something on the floor is met, m/s. An assumption. */
const TO_SPARE = 1.3;
/** To knock something over, at least this share of the greatest speed is used. An assumption. */
const FIRM = 0.7;
/**
 * Up to this share of the farthest distance every send gets there, beyond it fewer and fewer, and at the farthest
 * none. An assumption.
 */
const SURE = 0.75;
/** At this share of the farthest distance half of the sends get there. Nobody is asked for more. */
const ASKED = (1 + SURE) / 2;

/** `stop`: to come to rest there. `meet`: to meet what stands there. `fell`: to knock it over. */
export type Purpose = "stop" | "meet" | "fell";
/** What a send at a target is for. */
export function purposeOf(rule: HitRule): Purpose {
  const rules = rule.kind === "anyOf" ? rule.rules : [rule];
  return rules.some((eachRule) => eachRule.kind === "topple")
    ? "fell"
    : rules.every((eachRule) => eachRule.kind === "on")
      ? "stop"
      : "meet";
}

/** The farthest that a send gets at a height above the floor, metres. 0 if it never gets so high. */
export function farthest(sending: Sending, height = 0): number {
  if (sending.travel !== "air") return stopsAfter(sending.most, sending.slows);
  if (sending.off !== undefined) return bounceFarthest(sending, sending.off, height);
  const square = sending.most ** 2 + 2 * GRAVITY * (sending.height - height);
  return square <= 0 ? 0 : farOf((sending.most * Math.sqrt(square)) / GRAVITY, sending.air);
}
/** The nearest distance at which a send comes to rest by itself, metres. */
export const nearest = (sending: Sending): number =>
  sending.travel === "air" ? 0 : stopsAfter(sending.least, sending.slows);
/** The farthest that anybody is asked to send, metres: half of the sends get there. */
export const asksAtMost = (sending: Sending, height = 0): number => ASKED * farthest(sending, height);

/**
 * The chance that a send gets as far as a distance at a height, 0 to 1: certain up to three quarters of the farthest,
 * half at seven eighths, and exactly 0 from the farthest on.
 */
export function reachChance(sending: Sending, metres: number, height = 0): number {
  const far = farthest(sending, height);
  if (metres <= SURE * far) return 1;
  if (metres >= far) return 0;
  const t = (far - metres) / ((1 - SURE) * far);
  return t * t * (3 - 2 * t);
}

/** The path of a send that is aimed at a distance (metres) and, in the air, at a height above the floor. */
export function pathTo(sending: Sending, metres: number, height = 0, purpose: Purpose = "meet"): Path {
  if (sending.travel !== "air") return alongTheFloor(sending, metres, purpose);
  return sending.off === undefined
    ? flight(sending, metres, height, purpose)
    : bouncePath(sending, sending.off, metres, height);
}

/** v0^2 = v^2 + 2 a d, kept between the slowest steady speed and the fastest. */
function alongTheFloor(sending: Sending, metres: number, purpose: Purpose): Path {
  const slows = sending.slows;
  const left = purpose === "stop" ? 0 : TO_SPARE;
  const needed = Math.sqrt(left ** 2 + 2 * slows * Math.max(0, metres));
  const wanted = purpose === "fell" ? Math.max(needed, FIRM * sending.most) : needed;
  const speed = Math.min(sending.most, Math.max(sending.least, wanted));
  const ends = stopsAfter(speed, slows);
  const speedAt = (x: number) => Math.sqrt(Math.max(0, speed ** 2 - 2 * slows * Math.max(0, x)));
  return {
    speed,
    loft: 0,
    gets: ends >= metres - 1e-9,
    apex: 0,
    apexAt: 0,
    at: () => 0,
    seconds: (x) => (speed - speedAt(x)) / slows,
    speedAt,
    angleAt: () => 0,
    ends,
  };
}

/** Anything nearer is at the player's feet, metres. */
const MIN_THROW = 0.05;
/** Nobody throws more steeply, radians. */
const STEEPEST = (80 * Math.PI) / 180;

/**
 * A flight at the usual angle, if that takes a speed between the slowest steady one and the fastest. Otherwise at
 * that limit, and the angle nearest to the usual one that gets there. If none does, at full speed and the angle of
 * least effort, and it falls short.
 */
function flight(sending: Sending, metres: number, height: number, purpose: Purpose): Path {
  const distance = throughAir(Math.max(MIN_THROW, metres), sending.air);
  const up = height - sending.height;
  const floor = purpose === "fell" ? Math.max(sending.least, FIRM * sending.most) : sending.least;
  const usual = speedAtAngle(distance, up, sending.loft);
  const steep = Math.min(STEEPEST, Math.PI / 4 + Math.atan2(up, distance) / 2);
  const effort = speedAtAngle(distance, up, steep);
  let [loft, speed] = [sending.loft, usual];
  if (usual < floor) {
    speed = Math.max(floor, effort);
    loft = angles(distance, up, speed)?.[0] ?? steep;
  } else if (usual > sending.most) {
    speed = sending.most;
    const both = angles(distance, up, speed);
    loft =
      both === null ? steep : Math.abs(both[0] - sending.loft) <= Math.abs(both[1] - sending.loft) ? both[0] : both[1];
  }
  const gets = effort <= sending.most * (1 + 1e-9);
  const [forward, upward] = [speed * Math.cos(loft), speed * Math.sin(loft)];
  const at = (x: number) => {
    const far = throughAir(x, sending.air);
    return sending.height + far * Math.tan(loft) - (GRAVITY * far ** 2) / (2 * forward ** 2);
  };
  const lands = farOf(
    (forward / GRAVITY) * (upward + Math.sqrt(Math.max(0, upward ** 2 + 2 * GRAVITY * sending.height))),
    sending.air,
  );
  const seconds = (x: number) => throughAir(Math.min(x, lands), sending.air) / forward;
  const over = (x: number) => (x > lands + 1e-9 ? 0 : forward * Math.exp(-x / sending.air));
  const down = (x: number) => Math.max(0, GRAVITY * seconds(x) - upward);
  const topAt = Math.max(0, farOf((forward * upward) / GRAVITY, sending.air));
  const apexAt = Math.min(Math.max(MIN_THROW, metres), topAt);
  return {
    speed,
    loft,
    gets,
    apex: at(apexAt),
    apexAt,
    at,
    seconds,
    speedAt: over,
    angleAt: (x) => Math.atan2(down(x), over(x)),
    ends: lands + runAfterLanding(sending.item, sending.floor, over(lands), down(lands) ** 2 / (2 * GRAVITY)),
  };
}

/**
 * The speed that takes an object to a place at an angle, m/s: v^2 = g d^2 / (2 cos^2 a (d tan a - up)). Infinity if
 * it points too low.
 */
function speedAtAngle(distance: number, up: number, angle: number): number {
  const drop = distance * Math.tan(angle) - up;
  return drop <= 0
    ? Number.POSITIVE_INFINITY
    : Math.sqrt((GRAVITY * distance ** 2) / (2 * Math.cos(angle) ** 2 * drop));
}
/** The flat and the steep angle at which a speed takes an object to a place. Null if it is too slow. */
function angles(distance: number, up: number, value: number): readonly [number, number] | null {
  const root = value ** 4 - GRAVITY * (GRAVITY * distance ** 2 + 2 * up * value ** 2);
  // At the least effort, rounding may make the root slightly negative.
  if (root < -1e-9 * value ** 4) return null;
  const r = Math.sqrt(Math.max(0, root));
  return [Math.atan2(value ** 2 - r, GRAVITY * distance), Math.atan2(value ** 2 + r, GRAVITY * distance)];
}

/** If a full push gets less far than this, it is no game, metres. */
const MIN_GAME = 1.2;
/** True if even the greatest effort sends this object too short for a game here. */
export const pointless = (sending: Sending): boolean => farthest(sending) < MIN_GAME;

/** How far beyond its aim an object comes to rest if it meets nothing, metres. */
export function runsOn(sending: Sending, metres: number, height = 0, purpose: Purpose = "meet"): number {
  return Math.max(0, pathTo(sending, metres, height, purpose).ends - metres);
}

/**
 * Where an object comes to rest after rebounding from a wall `metres` away, metres from the wall: the speed that the
 * rebound leaves runs out on the floor.
 */
export function comesBack(sending: Sending, metres: number, height = 0): number {
  const path = pathTo(sending, metres, height, "fell");
  const back = path.speedAt(metres) * sending.item.rebound;
  return sending.travel === "air"
    ? runAfterLanding(sending.item, sending.floor, back, path.at(metres)) +
        back * Math.sqrt((2 * Math.max(0, path.at(metres))) / GRAVITY)
    : stopsAfter(back, sending.slows);
}
