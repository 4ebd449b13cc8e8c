import { within } from "../aim/normal.ts";
import type { Person } from "../aim/person.ts";
import type { AimOf } from "../asks/ask.ts";
import { pathTo, reachChance } from "../physics/send.ts";
import { type Part, type PartOf, partsOf } from "../yard/parts.ts";
import { type KindOf, type Outcome, type Sight, standAt, underWay } from "./kind.ts";

type Cells = AimOf<"cells">;
const OUT = "out";
const cellsIn = (aim: Cells, parts: readonly Part[]): PartOf<"cell">[] =>
  partsOf(parts, "cell").filter((cell) => aim.among.includes(cell.id));

/** A piece counts where its middle rests: every square at once, offset from the aim. */
export const cells: KindOf<Cells> = {
  options: (aim) => aim.want.map((id) => ({ ...aim, want: [id] })),
  refs: (aim) => ({ named: aim.among, also: [OUT], rest: OUT, meant: null }),
  reach: (aim, parts, from) => Math.max(...cellsIn(aim, parts).map((cell) => cell.along)) - standAt(parts, from),
  meets: () => ({ height: 0, purpose: "stop" }),
  runsOn: (aim, { parts, person, manner, from }) =>
    person.typical(manner).range *
    (Math.max(...cellsIn(aim, parts).map((cell) => cell.along + cell.depth / 2)) - standAt(parts, from)),
  outcomes: (aim, sight) => known(aim, sight, () => restsAt(aim, sight)),
};

/**
 * Where an object rests depends on its aim and not on what lies there already, so each aim of a person is worked out
 * once.
 */
const seen = new WeakMap<readonly Part[], WeakMap<Person, Map<string, Rests>>>();
type Rests = ReturnType<KindOf<Cells>["outcomes"]>;
function known(aim: Cells, { parts, person, manner, from }: Sight, make: () => Rests): Rests {
  const of = seen.get(parts) ?? new WeakMap<Person, Map<string, Rests>>();
  seen.set(parts, of);
  const by = of.get(person) ?? new Map<string, Rests>();
  of.set(person, by);
  const key = `${aim.want[0]} ${from} ${JSON.stringify(manner)}`;
  const found = by.get(key) ?? make();
  by.set(key, found);
  return found;
}

function restsAt(aim: Cells, { parts, person, manner, from }: Sight): Rests {
  const player = person.sends(manner);
  const at = standAt(parts, from);
  const all = cellsIn(aim, parts);
  const aimed = all.find((cell) => cell.id === aim.want[0])!;
  const distance = aimed.along - at;
  const sd = { across: player.spread.lateral * distance, along: player.spread.range * distance };
  const gets = reachChance(player.sending, distance);
  const path = pathTo(player.sending, distance, 0, "stop");
  const list: Outcome[] = all.map((cell) => {
    const [x, y] = [cell.across - aimed.across, cell.along - aimed.along];
    const chance =
      gets *
      within(x - cell.width / 2, x + cell.width / 2, sd.across) *
      within(y - cell.depth / 2, y + cell.depth / 2, sd.along);
    return { ref: cell.id, seen: { rest: cell.id }, p: chance, ...underWay(player, path, distance, cell.along - at) };
  });
  const p = Math.max(0, 1 - list.reduce((sum, outcome) => sum + outcome.p, 0));
  list.push({ ref: OUT, seen: { rest: OUT }, p, ...underWay(player, path, distance, distance) });
  return { list, distance, across: aimed.across };
}
