import type { Travel } from "../actions/actions.ts";
import type { Floor } from "../things/floors.ts";
import type { Item } from "../things/item.ts";

/**
 * One physics of a send. For a person, an action, a thing and a floor there is one range of release speeds (release.ts) and one deceleration
 * (floor.ts), and everything that is said of a send follows: how far it gets, how fast it must leave, how long it is under way, how fast
 * and how steeply it arrives, whether what it meets falls, tips or lets it in (standing.ts), and where it ends. See docs/model.md.
 */
export interface Sending {
  travel: Travel;
  /** Release speeds, least steady and most, m/s. */
  least: number;
  most: number;
  /** Where it leaves, metres above the floor, and how steeply it usually does, radians; 0: along the floor. */
  height: number;
  loft: number;
  /** What the floor takes, m/s^2. */
  slows: number;
  /** Over so many metres the air takes a share 1 - 1/e of the speed; on the floor it takes nothing. */
  air: number;
  item: Item;
  floor: Floor;
  /** It is to touch a surface of this height first, metres: 0 the floor. Not given: it goes straight. */
  off?: number;
}

/** A send on its way; all in metres from where it leaves, seconds, m/s, radians. */
export interface Path {
  speed: number;
  loft: number;
  /** Whether it gets as far as it was aimed. */
  gets: boolean;
  /** Highest point and how far out it is. */
  apex: number;
  apexAt: number;
  /** Height of its middle above where it would lie; 0 along the floor. */
  at: (metres: number) => number;
  /** Until it is so far out; at most until it lies. */
  seconds: (metres: number) => number;
  /** Over the ground; 0 where it does not come. */
  speedAt: (metres: number) => number;
  /** How steeply it comes down; 0 along the floor. */
  angleAt: (metres: number) => number;
  /** Where it lies in the end when it meets nothing. */
  ends: number;
}
