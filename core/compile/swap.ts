import { serves } from "../kit/candidates.ts";
import { choose } from "../kit/choose.ts";
import { listOf } from "../kit/items.ts";
import { bareOf } from "./bare.ts";
import { type Card, compileFor, type Making } from "./card.ts";
import { choosingFor, type HomeFacts, stockOf } from "./for-home.ts";

/** What a family decided: where it plays, what serves as what, and items it has beyond those it told us about. */
export interface Decided {
  home: string | null;
  fixed: Readonly<Record<string, string>>;
  also: readonly string[];
  /** There is nothing to play with, so the version without items is played. */
  bare?: true | undefined;
}
export const NOTHING_DECIDED: Decided = { home: null, fixed: {}, also: [] };
/** The most items that are offered as ones a home may have besides, commonest first. */
const MAX_OFFERED = 8;

const homeOf = (making: Making, decided: Decided): HomeFacts | undefined =>
  making.homes.find((home) => home.id === decided.home) ?? making.homes[0];

/** The making with those further items included. */
function withAlso(making: Making, decided: Decided): Making {
  const items = listOf(making.items.own, making.items.hidden);
  const at = homeOf(making, decided);
  if (!at || decided.also.length === 0) return making;
  const more = Object.fromEntries(
    decided.also.flatMap((id) => items.filter((item) => item.id === id).map((item) => [id, Math.max(1, item.count)])),
  );
  const homes = making.homes.map((home) =>
    home.id === at.id ? { ...home, kit: { ...stockOf(home, items), ...more } } : home,
  );
  return { ...making, homes };
}

/** A card made again as the family decided. What no longer fits (an item that is gone) is chosen again. */
export function remake(making: Making, decided: Decided): Card {
  const made = decided.bare ? { ...making, designed: bareOf(making.designed) } : withAlso(making, decided);
  const card = compileFor(made, decided.home ?? undefined, decided.bare ? {} : decided.fixed);
  return { ...card, making: making };
}

/** What else could serve in a role, best first: from what the home has, and from what it might have. */
export function swapOptions(making: Making, decided: Decided, role: string): { here: string[]; ifHave: string[] } {
  const made = withAlso(making, decided);
  const items = listOf(making.items.own, making.items.hidden);
  const home = homeOf(made, decided);
  if (!home) return { here: [], ifHave: [] };
  const others = Object.fromEntries(Object.entries(decided.fixed).filter(([key]) => key !== role));
  const base = choosingFor(made.designed, home, items, { fixed: others });
  const can = (id: string, stock: Readonly<Record<string, number>>) => {
    const chosen = choose({ ...base, stock, fixed: { ...others, [role]: id } });
    const pick = chosen.picks.find((eachPick) => eachPick.role === role);
    return pick?.item === id && chosen.unmet.every((unmet) => unmet.optional) ? chosen.cost : null;
  };
  const r = base.roles.find((eachRole) => eachRole.id === role);
  if (!r) return { here: [], ifHave: [] };
  const serving = items.filter((item) => serves(item, r));
  const sorted = (list: { id: string; by: number }[]) => list.sort((a, b) => a.by - b.by).map((x) => x.id);
  const here: { id: string; by: number }[] = [];
  const ifHave: { id: string; by: number }[] = [];
  for (const item of serving) {
    const cost = can(item.id, base.stock);
    if (cost !== null) here.push({ id: item.id, by: cost });
    else if (!item.made && can(item.id, { ...base.stock, [item.id]: Math.max(item.count, r.count) }) !== null)
      ifHave.push({ id: item.id, by: -item.homes });
  }
  return { here: sorted(here), ifHave: sorted(ifHave).slice(0, MAX_OFFERED) };
}
