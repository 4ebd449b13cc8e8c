import { choose, serves } from "../kit/choose.ts";
import { listOf } from "../kit/items.ts";
import { bareOf } from "./bare.ts";
import { type Card, compileFor, type Making } from "./card.ts";
import { choosingFor, type HomeFacts, stockOf } from "./for-home.ts";

/** What a family has decided itself: where it plays, what serves as what, and things it has beside those it told of. */
export interface Decided {
  home: string | null;
  fixed: Readonly<Record<string, string>>;
  also: readonly string[];
  /** Nothing is there to play with: the version that takes no things. */
  bare?: true | undefined;
}
export const NOTHING_DECIDED: Decided = { home: null, fixed: {}, also: [] };
/** Things that a home may have beside those it told of are offered commonest first, so many at most. */
const MAX_OFFERED = 8;

const homeOf = (m: Making, d: Decided): HomeFacts | undefined => m.homes.find((h) => h.id === d.home) ?? m.homes[0];

/** The making with what the family has beside counted in. */
function withAlso(m: Making, d: Decided): Making {
  const items = listOf(m.items.own, m.items.hidden);
  const at = homeOf(m, d);
  if (!at || d.also.length === 0) return m;
  const more = Object.fromEntries(
    d.also.flatMap((id) => items.filter((i) => i.id === id).map((i) => [id, Math.max(1, i.count)])),
  );
  const homes = m.homes.map((h) => (h.id === at.id ? { ...h, kit: { ...stockOf(h, items), ...more } } : h));
  return { ...m, homes };
}

/** A card made again as the family decided. What does not fit any more (a thing that is gone) is chosen anew. */
export function remake(m: Making, d: Decided): Card {
  const made = d.bare ? { ...m, designed: bareOf(m.designed) } : withAlso(m, d);
  const card = compileFor(made, d.home ?? undefined, d.bare ? {} : d.fixed);
  return { ...card, making: m };
}

/** What else could serve in a role: from what is here, and of what one might have; best first. */
export function swapOptions(m: Making, d: Decided, role: string): { here: string[]; ifHave: string[] } {
  const made = withAlso(m, d);
  const items = listOf(m.items.own, m.items.hidden);
  const home = homeOf(made, d);
  if (!home) return { here: [], ifHave: [] };
  const others = Object.fromEntries(Object.entries(d.fixed).filter(([r]) => r !== role));
  const base = choosingFor(made.designed, home, items, { fixed: others });
  const can = (id: string, stock: Readonly<Record<string, number>>) => {
    const chosen = choose({ ...base, stock, fixed: { ...others, [role]: id } });
    const pick = chosen.picks.find((p) => p.role === role);
    return pick?.item === id && chosen.unmet.every((u) => u.optional) ? chosen.cost : null;
  };
  const r = base.roles.find((x) => x.id === role);
  if (!r) return { here: [], ifHave: [] };
  const serving = items.filter((i) => serves(i, r));
  const sorted = (list: { id: string; by: number }[]) => list.sort((a, b) => a.by - b.by).map((x) => x.id);
  const here: { id: string; by: number }[] = [];
  const ifHave: { id: string; by: number }[] = [];
  for (const i of serving) {
    const cost = can(i.id, base.stock);
    if (cost !== null) here.push({ id: i.id, by: cost });
    else if (!i.made && can(i.id, { ...base.stock, [i.id]: Math.max(i.count, r.count) }) !== null)
      ifHave.push({ id: i.id, by: -i.homes });
  }
  return { here: sorted(here), ifHave: sorted(ifHave).slice(0, MAX_OFFERED) };
}
