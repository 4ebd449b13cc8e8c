import { type Action, actionFacts } from "../actions/actions.ts";
import type { Spread } from "../actions/spread.ts";
import type { Floor } from "../items/floors.ts";
import type { Item } from "../items/item.ts";
import type { Age } from "../measures/stature.ts";
import { OFF_SPREAD, TABLE } from "../physics/bounce.ts";
import { downRamp } from "../physics/ramp.ts";
import { awkward, type How } from "../physics/release.ts";
import { sendingOf } from "../physics/send.ts";
import type { Sending } from "../physics/sending.ts";
import { agePrior } from "./priors.ts";

/** What an object touches first, and its height, metres. */
export const SURFACES = ["floor", "table"] as const;
export type Surface = (typeof SURFACES)[number];
export const HEIGHT_OF: Record<Surface, number> = { floor: 0, table: TABLE };

/** A player as the calculation sees them: how they miss, how they send, how fast they move. */
export interface PlayerModel {
  spread: Spread;
  /** Everything about a send that follows from physics. */
  sending: Sending;
  /** Metres per second. */
  walking: number;
  /** Seconds from getting ready to letting go. */
  windUp: number;
  /** The time needed for anything else, relative to a child of 8. */
  tempo: number;
  object: { diameter: number; mass: number };
}

/**
 * With a ramp, the player aims by turning the board: the error of the angle, and how evenly it runs, for a child of 8
 * (assumptions).
 */
const RAMP = { lateral: 0.03, range: 0.05 } as const;
/** The same player with a ramp. The board's errors replace the arm's, and half of the effect of age remains. */
export function withRamp(givenPlayerModel: PlayerModel, height: number, multiplier: number): PlayerModel {
  const metres = Math.sqrt(multiplier);
  return {
    ...givenPlayerModel,
    spread: { lateral: RAMP.lateral * metres, range: RAMP.range * metres, vertical: 0 },
    sending: downRamp(givenPlayerModel.sending, height),
  };
}

/** The same player when the object must touch a surface first: the floor, or a table. */
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
 * The model of one player for an action, an object and a floor. `multiplier` replaces the prior of the age once the
 * child's own record is known.
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
