import { type Action, actionFacts } from "../actions/actions.ts";
import type { Spread } from "../actions/spread.ts";
import type { Age } from "../measures/stature.ts";
import { downRamp } from "../physics/ramp.ts";
import type { How } from "../physics/release.ts";
import { type Sending, sendingOf } from "../physics/send.ts";
import type { Floor } from "../things/floors.ts";
import type { Item } from "../things/item.ts";
import { agePrior } from "./priors.ts";

/** A player as the arithmetic sees it: how it misses, how it sends, how fast it moves. */
export interface PlayerModel {
  spread: Spread;
  /** What of a send follows from the physics of it. */
  sending: Sending;
  /** Metres a second. */
  walking: number;
  /** Seconds from ready to letting go. */
  windUp: number;
  /** Getting anything else done beside a child of 8. */
  tempo: number;
  object: { diameter: number; mass: number };
}

/** Aimed by turning the board: how far off in angle, and how even it runs; of a child of 8 (assumptions). */
const RAMP = { lateral: 0.03, range: 0.05 } as const;
/** The same player with a ramp: the board's errors replace the arm's, and half of what age does is left. */
export function withRamp(p: PlayerModel, height: number, multiplier: number): PlayerModel {
  const m = Math.sqrt(multiplier);
  return {
    ...p,
    spread: { lateral: RAMP.lateral * m, range: RAMP.range * m, vertical: 0 },
    sending: downRamp(p.sending, height),
  };
}

/**
 * The model of one player for an action, an object and a floor. `multiplier` replaces the prior of the age once a child's own
 * record says better.
 */
export function playerModel(
  who: { age: Age; multiplier?: number },
  action: Action,
  object: Item,
  floor: Floor,
  how: How = {},
): PlayerModel {
  const { spread, windUp } = actionFacts[action];
  const prior = agePrior(who.age);
  const m = (who.multiplier ?? prior.multiplier) * object.handling;
  return {
    spread: { lateral: spread.lateral * m, range: spread.range * m, vertical: spread.vertical * m },
    sending: sendingOf(who.age, action, object, floor, how),
    walking: prior.walking,
    windUp: windUp * prior.tempo,
    tempo: prior.tempo,
    object: { diameter: object.width, mass: object.mass },
  };
}
