import type { Floor } from "../kit/floors.ts";
import type { Item } from "../kit/item.ts";
import type { Age } from "../measures/stature.ts";
import { keepsOf, runOnOf } from "../physics/run-on.ts";
import { type Action, type ActionFacts, actionFacts } from "./actions.ts";
import type { Spread } from "./hit.ts";
import { below } from "./normal.ts";
import { agePrior } from "./priors.ts";

/** A player as the arithmetic sees it: how it misses, how far it gets, how fast it moves. */
export interface PlayerModel {
  spread: Spread;
  /** Chance to get as far as a distance in metres. */
  reach: (metres: number) => number;
  /** Metres a second. */
  walking: number;
  /** Seconds from ready to letting go. */
  windUp: number;
  /** Speed of what is sent, metres a second. */
  speed: number;
  object: { diameter: number; mass: number };
  /** Metres that the object runs on past where it is aimed. */
  runOn: number;
}

/** Hardly anybody falls short at this share of their reach. */
const REACH_SD = 0.12;

/**
 * The model of one player for an action, an object and a floor. `multiplier` replaces the prior of the age once a child's own
 * record says better.
 */
export function playerModel(
  who: { age: Age; multiplier?: number },
  action: Action,
  object: Item,
  floor: Floor,
): PlayerModel {
  const facts: ActionFacts = actionFacts[action];
  const prior = agePrior(who.age);
  const m = (who.multiplier ?? prior.multiplier) * object.handling;
  const most = facts.reach * prior.strength * keepsOf(object, floor, facts.travel);
  return {
    spread: { lateral: facts.spread.lateral * m, range: facts.spread.range * m, vertical: facts.spread.vertical * m },
    reach: (metres) => below(most - metres, REACH_SD * most),
    walking: prior.walking,
    windUp: facts.windUp * prior.tempo,
    speed: facts.speed,
    object: { diameter: object.width, mass: object.mass },
    runOn: runOnOf(object, floor, facts.travel),
  };
}
