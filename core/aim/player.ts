import { type Action, actionFacts } from "../actions/actions.ts";
import type { Spread } from "../actions/spread.ts";
import type { Age } from "../measures/stature.ts";
import { OFF_SPREAD, TABLE } from "../physics/bounce.ts";
import { downRamp } from "../physics/ramp.ts";
import { awkward, type How } from "../physics/release.ts";
import { sendingOf } from "../physics/send.ts";
import type { Sending } from "../physics/sending.ts";
import type { Floor } from "../things/floors.ts";
import type { Item } from "../things/item.ts";
import { agePrior } from "./priors.ts";

/** What is touched first, and how high it is, metres. */
export const SURFACES = ["floor", "table"] as const;
export type Surface = (typeof SURFACES)[number];
export const HEIGHT_OF: Record<Surface, number> = { floor: 0, table: TABLE };

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
export function withRamp(givenPlayerModel: PlayerModel, height: number, multiplier: number): PlayerModel {
  const metres = Math.sqrt(multiplier);
  return {
    ...givenPlayerModel,
    spread: { lateral: RAMP.lateral * metres, range: RAMP.range * metres, vertical: 0 },
    sending: downRamp(givenPlayerModel.sending, height),
  };
}

/** The same player who throws off a surface first: the floor, or a table. */
export function offSurface(givenPlayerModel: PlayerModel, surface: Surface): PlayerModel {
  if (givenPlayerModel.sending.travel !== "air") return givenPlayerModel;
  const { lateral, range, vertical } = givenPlayerModel.spread;
  return {
    ...givenPlayerModel,
    spread: { lateral: lateral * OFF_SPREAD, range: range * OFF_SPREAD, vertical: vertical * OFF_SPREAD },
    sending: { ...givenPlayerModel.sending, off: HEIGHT_OF[surface] },
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
  const metres = (who.multiplier ?? prior.multiplier) * object.handling * awkward(how);
  return {
    spread: { lateral: spread.lateral * metres, range: spread.range * metres, vertical: spread.vertical * metres },
    sending: sendingOf(who.age, action, object, floor, how),
    walking: prior.walking,
    windUp: windUp * prior.tempo,
    tempo: prior.tempo,
    object: { diameter: object.width, mass: object.mass },
  };
}
