import { within } from "../aim/normal.ts";
import type { AimOf } from "../asks/ask.ts";
import { pathTo, reachChance } from "../physics/send.ts";
import { type Part, type PartOf, partsOf } from "../yard/parts.ts";
import { type KindOf, type Outcome, standAt, underWay } from "./kind.ts";

type Cells = AimOf<"cells">;
const OUT = "out";
const cellsIn = (aim: Cells, parts: readonly Part[]): PartOf<"cell">[] =>
  partsOf(parts, "cell").filter((c) => aim.among.includes(c.id));

/** A piece counts where its middle rests: every square at once, offset from the aim. */
export const cells: KindOf<Cells> = {
  options: (aim) => aim.want.map((id) => ({ ...aim, want: [id] })),
  worth: (aim, seen) => ("rest" in seen && aim.want.includes(seen.rest) ? 1 : 0),
  refs: (aim) => ({ named: aim.among, rest: OUT, meant: aim.want[0] ?? null }),
  reach: (aim, parts, from) => Math.max(...cellsIn(aim, parts).map((c) => c.along)) - standAt(parts, from),
  meets: () => ({ height: 0, purpose: "stop" }),
  runsOn: (aim, { parts, person, manner, from }) =>
    person.typical(manner).range *
    (Math.max(...cellsIn(aim, parts).map((c) => c.along + c.depth / 2)) - standAt(parts, from)),
  outcomes(aim, { parts, person, manner, from }) {
    const player = person.sends(manner);
    const at = standAt(parts, from);
    const all = cellsIn(aim, parts);
    const aimed = all.find((c) => c.id === aim.want[0])!;
    const distance = aimed.along - at;
    const sd = { across: player.spread.lateral * distance, along: player.spread.range * distance };
    const gets = reachChance(player.sending, distance);
    const path = pathTo(player.sending, distance, 0, "stop");
    const list: Outcome[] = all.map((c) => {
      const [x, y] = [c.across - aimed.across, c.along - aimed.along];
      const p =
        gets * within(x - c.width / 2, x + c.width / 2, sd.across) * within(y - c.depth / 2, y + c.depth / 2, sd.along);
      return { ref: c.id, seen: { rest: c.id }, p, ...underWay(player, path, distance, c.along - at) };
    });
    const p = Math.max(0, 1 - list.reduce((sum, o) => sum + o.p, 0));
    list.push({ ref: OUT, seen: { rest: OUT }, p, ...underWay(player, path, distance, distance) });
    return { list, distance, across: aimed.across };
  },
};
