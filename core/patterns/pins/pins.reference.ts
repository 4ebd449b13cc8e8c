import type { Setup } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import type { GameEvent } from "../../events/events.ts";
import { type ReferenceResult, type Story, tellMatch } from "../match.reference.ts";
import type { PinsParams } from "./schema.ts";

/**
 * A second, simple implementation of Pins from its description: a sheet of frames, each a list of what fell. It
 * shares no code with the rules.
 */
function story(params: PinsParams): Story {
  const count = params.formation.count;
  const all = new Set([...Array(count).keys()].map((i) => `p${i + 1}`));
  const frames: number[][] = [[]];
  /** The pins that may still stand. `sure`: they certainly do. */
  let up = new Set(all);
  let sure = true;
  let many = count;
  let lying = false;
  let laid = params.formation.kind === "given";
  const worth = () =>
    frames.reduce(
      (sum, rolls) =>
        sum + rolls.reduce((eachSum, b) => eachSum + b, 0) * params.points + (rolls[0] === count ? params.bonus : 0),
      0,
    );
  /** True if all pins stand completely inside the square and none touches another, in whole millimetres. */
  const standsWell = (spots: readonly { id: string; along: number; across: number }[]) => {
    const formation = params.formation;
    if (formation.kind !== "own" || spots.length !== count || new Set(spots.map((spot) => spot.id)).size !== count)
      return false;
    const r = Math.round(params.pin.width * 1000) / 2;
    const [near, far] = [Math.round(params.distance * 1000), Math.round((params.distance + formation.depth) * 1000)];
    const aside = Math.round(formation.width * 1000) / 2;
    const middle = Math.round(params.across * 1000);
    return spots.every(
      (spot, i) =>
        all.has(spot.id) &&
        spot.along - r >= near &&
        spot.along + r <= far &&
        Math.abs(spot.across - middle) + r <= aside &&
        spots.every(
          (eachSpot, k) =>
            k <= i || Math.hypot(spot.along - eachSpot.along, spot.across - eachSpot.across) - 2 * r >= 10 - 1e-9,
        ),
    );
  };
  return {
    clock: () => undefined,
    rings: () => "no",
    value: worth,
    rank: worth,
    take(event) {
      if (event.kind === "arrange") {
        if (laid || !standsWell(event.spots)) return "no";
        laid = true;
        return "on";
      }
      if (!laid) return "no";
      const rolls = frames[frames.length - 1]!;
      if (event.kind === "stand") {
        if (!lying) return "no";
        lying = false;
        up = new Set(all);
        sure = true;
        many = count;
        return rolls.length === 0 ? "spent" : "on";
      }
      if (event.kind !== "send" || event.fell === undefined || lying) return "no";
      let fell: number;
      if (typeof event.fell === "number") {
        fell = event.fell;
        if (fell > many) return "no";
        // A number says which pins fell only if it is zero or all of them.
        if (fell > 0 && fell < many) sure = false;
      } else {
        fell = new Set(event.fell).size;
        if (fell !== event.fell.length) return "no";
        if (!sure && fell > 0 && fell !== many) return "no";
        if (event.fell.some((id) => !up.has(id))) return "no";
        for (const id of event.fell) up.delete(id);
      }
      rolls.push(fell);
      many -= fell;
      if (many === 0) up = new Set();
      const cleared = many === 0;
      const done = rolls.length === params.rolls || (cleared && (rolls.length === 1 || !params.standUp));
      if (!done) {
        if (params.standUp && fell > 0) lying = true;
        return "on";
      }
      if (frames.length === params.frames) return "end";
      frames.push([]);
      lying = true;
      return "on";
    },
  };
}

export const tellPins = (
  params: PinsParams,
  match: Match,
  setup: Setup,
  events: readonly GameEvent[],
): ReferenceResult => tellMatch(() => story(params), { match, each: false }, setup, events);
