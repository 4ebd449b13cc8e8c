import type { Travel } from "../actions/actions.ts";
import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";

/**
 * The physics of a send. A person, an action, an object and a floor give one range of release speeds (release.ts) and
 * one deceleration (floor.ts). Everything else follows from these: how far the object gets, how fast it must leave,
 * how long it takes, how fast and how steeply it arrives, whether what it meets falls, tips or lets it in
 * (standing.ts), and where it ends. See docs/model.md.
 */
export interface Sending {
  travel: Travel;
  /** The slowest steady release speed and the fastest one, m/s. */
  least: number;
  most: number;
  /** The height at which it leaves, metres above the floor, and its usual angle, radians. 0: along the floor. */
  height: number;
  loft: number;
  /** The deceleration on the floor, m/s^2. */
  slows: number;
  /** The distance over which the air takes a share 1 - 1/e of the speed, metres. On the floor the air takes nothing. */
  air: number;
  item: Item;
  floor: Floor;
  /** It must first touch a surface of this height, metres; 0 is the floor. Left out: it goes straight to the target. */
  off?: number;
}

/** The path of a send. Metres from the release, seconds, m/s, radians. */
export interface Path {
  speed: number;
  loft: number;
  /** Whether it gets as far as it was aimed. */
  gets: boolean;
  /** The highest point, and how far away that is. */
  apex: number;
  apexAt: number;
  /** The height of its middle above where it would come to rest. 0 along the floor. */
  at: (metres: number) => number;
  /** The time until it is this far away or comes to rest. */
  seconds: (metres: number) => number;
  /** The speed over the ground. 0 where it does not get. */
  speedAt: (metres: number) => number;
  /** The angle of descent. 0 along the floor. */
  angleAt: (metres: number) => number;
  /** Where it comes to rest if it meets nothing. */
  ends: number;
}
