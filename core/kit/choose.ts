import type { Caution } from "../items/cautions.ts";
import type { Item } from "../items/item.ts";
import { own } from "../own.ts";
import { FINE, needed, optionsFor, whereOf } from "./candidates.ts";
import { ChoiceSearch } from "./choice-search.ts";
import type { Choosing, Chosen, Pick, Unmet } from "./choosing.ts";
import { whyNot, whyThis } from "./reasons.ts";
import { availableFrom, readyIn } from "./stock.ts";

export const ALTERNATIVES = 2;

/**
 * The best complete choice of items for all roles of a game from what one home has: exact branch and bound. Every
 * item is used once, and couplings hold between any two that are chosen. The bound is the cheapest assignment of
 * items to open roles. If that assignment keeps the couplings, it is the answer; otherwise the first role for which
 * it fails is tried item by item, cheapest first. The same input gives the same answer: of equal choices, the list's
 * order decides.
 */
export function choose(choosing: Choosing): Chosen {
  const available = availableFrom(choosing.items, choosing.stock);
  const left = readyIn(choosing.items, choosing.stock);
  const options = optionsFor(choosing, available, new Map(left));
  const search = new ChoiceSearch(choosing, options, available, left);
  const found = search.run();
  // Restores the best choice, so that the remaining stock matches it.
  const made = found.options.map((option, i) => search.choose(i, option));
  const picks: Pick[] = [];
  const unmet: Unmet[] = [];
  choosing.roles.forEach((role, i) => {
    const option = found.options[i]!;
    if (!option.of) {
      unmet.push({ role: role.id, optional: role.optional, why: whyNot(role, choosing, available) });
      return;
    }
    const { item } = option.of;
    picks.push({
      role: role.id,
      item: item.id,
      count: needed(item, role),
      why: own(choosing.fixed, role.id)
        ? { key: "why.chosen", params: { item: item.id, as: role.as?.id ?? "" } }
        : whyThis(option, role, options[i]!, whereOf(role, choosing)),
      cautions: cautionsOfItem(item, choosing.indoors),
      alternatives: search
        .others(i)
        .slice(0, ALTERNATIVES)
        .map((other) => other.of!.item.id),
      minutes: (item.made?.minutes ?? 0) * made[i]!,
    });
  });
  return { picks, unmet, cost: Math.floor(found.cost / FINE), proved: !found.cut, trials: found.trials };
}

/** Items that fit into a small mouth, and rubber that bursts, are kept away from children under four. Metres. */
const SWALLOWED = 0.045;
const isSmall = (item: Item): boolean =>
  Math.max(item.width, item.depth, item.height) <= SWALLOWED || item.id === "balloon";

/** The cautions for an item. */
export function cautionsOfItem(item: Item, indoors: boolean): Caution[] {
  const out = new Set<Caution>(item.cautions);
  if (isSmall(item)) out.add("smallParts");
  if (item.ask) out.add("grownUpYes");
  if (item.outdoorsOnly) out.add("outdoorsOnly");
  if (!indoors) out.delete("outdoorsOnly");
  return [...out];
}
