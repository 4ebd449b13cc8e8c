import { hitChance } from "../aim/hit.ts";
import type { AimOf } from "../asks/ask.ts";
import { PICK_UP } from "../physics/landing.ts";
import { pathTo, purposeOf, reachChance } from "../physics/send.ts";
import { type Part, partsOf } from "../yard/parts.ts";
import { type KindOf, standAt } from "./kind.ts";

type Shuttle = AimOf<"shuttle">;
const targetIn = (aim: Shuttle, parts: readonly Part[]) =>
  partsOf(parts, "target").find((target) => target.id === aim.to)!;

/**
 * Sent at the other end, run after, and sent back from there. The way is run once and not back. Both ends are alike
 * (a named assumption).
 */
export const shuttle: KindOf<Shuttle> = {
  options: (aim) => [aim],
  refs: (aim) => ({ named: [aim.to], rest: "none", meant: aim.to }),
  reach: (aim, parts, from) => targetIn(aim, parts).along - standAt(parts, from),
  meets: (aim, parts) => {
    const target = targetIn(aim, parts);
    return { height: (target.base ?? 0) + target.height / 2, purpose: purposeOf(target.rule) };
  },
  runsOn: () => 0.5,
  outcomes(aim, { parts, person, manner, from }) {
    const player = person.sends(manner);
    const target = targetIn(aim, parts);
    const distance = target.along - standAt(parts, from);
    const flies = player.sending.travel === "air";
    const up = flies ? target.height / 2 : 0;
    const chance =
      hitChance(target.rule, { distance, spread: player.spread, object: player.object }) *
      reachChance(player.sending, distance, up);
    const path = pathTo(player.sending, distance, up, purposeOf(target.rule));
    // A child who fetches walks out and back. This is only the way out.
    const lies = distance / 2;
    const at = { under: path.seconds(distance), windUp: player.windUp, lies, after: PICK_UP * person.tempo };
    return {
      list: [
        { ref: aim.to, seen: { kept: true }, p: chance, ...at },
        { ref: "none", seen: { kept: false }, p: 1 - chance, ...at },
      ],
      distance,
      across: 0,
    };
  },
};
