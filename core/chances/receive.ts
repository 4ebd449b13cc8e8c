import { hitChance } from "../aim/hit.ts";
import type { AimOf } from "../asks/ask.ts";
import { PICK_UP } from "../physics/landing.ts";
import { pathTo, reachChance } from "../physics/send.ts";
import { partsOf } from "../yard/parts.ts";
import { type KindOf, type Sight, standAt } from "./kind.ts";

type Receives = AimOf<"receive">;
/** How far to each side and how high a waiting person reaches, metres: assumptions. */
const REACH = { wide: 1.1, high: 1.3 } as const;
const markAt = (id: string, { parts, from }: Pick<Sight, "parts" | "from">) =>
  (partsOf(parts, "line").find((line) => line.id === id)?.along ?? 0) - standAt(parts, from);

/**
 * Sent to somebody at a mark: the chance that it comes within their reach, times the chance of a catch. The catcher
 * is assumed to be as skilled as the sender (a named assumption).
 */
export const receive: KindOf<Receives> = {
  options: (aim) => [aim],
  refs: (aim) => ({ named: [aim.mark], also: ["over"], rest: "over", meant: aim.mark }),
  reach: (aim, parts, from) => markAt(aim.mark, { parts, from }),
  meets: () => ({ height: REACH.high / 2, purpose: "meet" }),
  runsOn: () => 0.5,
  outcomes(aim, sight) {
    const { person } = sight;
    const player = person.sends(sight.manner);
    const distance = markAt(aim.mark, sight);
    const flies = player.sending.travel === "air";
    const up = flies ? REACH.high / 2 : 0;
    const rule = flies
      ? ({ kind: "touch", width: REACH.wide, height: REACH.high } as const)
      : ({ kind: "touch", width: REACH.wide } as const);
    const within = hitChance(rule, { distance, spread: player.spread, object: player.object });
    const gets = within * reachChance(player.sending, distance, up);
    const chance =
      gets * person.does({ id: "catch", height: 0.6 }, { ...sight.manner, ...(aim.bounce && { bounce: true }) }).p;
    const path = pathTo(player.sending, distance, up);
    const at = { under: path.seconds(distance), windUp: player.windUp, after: PICK_UP * person.tempo };
    return {
      list: [
        // It is sent back.
        { ref: aim.mark, seen: { rest: aim.mark }, p: chance, lies: 0, ...at },
        { ref: "over", seen: { rest: "over" }, p: 1 - chance, lies: distance / 2, ...at },
      ],
      distance,
      across: 0,
    };
  },
};
