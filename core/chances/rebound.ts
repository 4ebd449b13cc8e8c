import { hitChance } from "../aim/hit.ts";
import type { AimOf } from "../asks/ask.ts";
import { PICK_UP } from "../physics/landing.ts";
import { comesBack, pathTo, reachChance } from "../physics/send.ts";
import { type Part, partsOf } from "../yard/parts.ts";
import { type KindOf, standAt } from "./kind.ts";

type Rebound = AimOf<"rebound">;
/** The wall and the mark as seen from the line: metres to the wall, and from the wall back to the mark. */
function ways(aim: Rebound, parts: readonly Part[], from: string) {
  const at = standAt(parts, from);
  const targets = partsOf(parts, "target");
  const wall = targets.find((target) => target.id === aim.wall)!;
  const onto = targets.find((target) => target.id === aim.onto)!;
  return { wall, onto, there: wall.along - at, back: wall.along - onto.along };
}

/**
 * Off the wall onto a mark on the floor. The errors are those of a send as long as the way to the wall and back to
 * the mark together, aimed at the mark's middle (assumptions). If it is caught or picked up on its way back, the
 * child only walks as far as it falls short.
 */
export const rebound: KindOf<Rebound> = {
  options: (aim) => [aim],
  refs: (aim) => ({ named: [aim.onto], rest: "none", meant: aim.onto }),
  reach: (aim, parts, from) => ways(aim, parts, from).there,
  meets: (aim, parts) => {
    const { wall } = ways(aim, parts, "");
    return { height: (wall.base ?? 0) + wall.height / 2, purpose: "meet" };
  },
  runsOn: () => 0,
  outcomes(aim, { parts, person, manner, from }) {
    const player = person.sends(manner);
    const { wall, onto, there, back } = ways(aim, parts, from);
    const flies = player.sending.travel === "air";
    const height = flies ? (wall.base ?? 0) + wall.height / 2 : 0;
    const shot = { distance: there + back, spread: player.spread, object: player.object };
    const off = { across: onto.across - wall.across };
    const chance = hitChance(onto.rule, { ...shot, off }) * reachChance(player.sending, there, height);
    const path = pathTo(player.sending, there, height);
    const returning = Math.max(0.5, path.speedAt(there) * player.sending.item.rebound);
    const under = path.seconds(there) + back / returning;
    // If it comes back as far as the child, it is caught there; otherwise it is fetched.
    const run = comesBack(player.sending, there, height);
    const short = Math.max(0, there - run);
    const times = { under, windUp: player.windUp, after: PICK_UP * person.tempo };
    return {
      list: [
        { ref: aim.onto, seen: { kept: true }, p: chance, ...times, lies: short },
        { ref: "none", seen: { kept: false }, p: 1 - chance, ...times, lies: Math.max(short, there - back) },
      ],
      distance: there + back,
      across: wall.across,
    };
  },
};
