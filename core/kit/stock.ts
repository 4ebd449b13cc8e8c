import type { Item } from "../items/item.ts";

/** How many of each item a home has, by id. */
export type Stock = Readonly<Record<string, number>>;
/** If a home's items are unknown, those found in at least this share of homes are assumed. */
export const DEFAULT_SHARE = 0.9;

/** The items assumed for a home until the family answers: those that nine of ten homes have, as many as usual. */
export function defaultStock(items: readonly Item[]): Stock {
  const out: Record<string, number> = {};
  for (const item of items) if (!item.made && (item.homes >= DEFAULT_SHARE || item.always)) out[item.id] = item.count;
  return out;
}

/** Items that need no kit: every child or every home has them. */
export function noKitStock(items: readonly Item[]): Stock {
  const out: Record<string, number> = {};
  for (const item of items) if (item.always) out[item.id] = item.count;
  return out;
}

/** How many of each item are there without making any. */
export function readyIn(items: readonly Item[], stock: Stock): Map<string, number> {
  const out = new Map(Object.entries(stock));
  for (const item of items) if (item.always) out.set(item.id, Math.max(out.get(item.id) ?? 0, item.count));
  return out;
}

/** One kind of item that is available from a stock. */
export interface Available {
  item: Item;
  /** How many there can be: those that are there, and those that can be made. */
  most: number;
  /** The materials for making one more. Null if none can be made. */
  from: readonly { item: string; count: number }[] | null;
}

/**
 * Everything available from a stock: what is there, what is always there, and what can be made from it, in the order
 * of the list.
 */
export function availableFrom(items: readonly Item[], stock: Stock): Available[] {
  const ready = readyIn(items, stock);
  const got = (id: string) => ready.get(id) ?? 0;
  const out: Available[] = [];
  for (const item of items) {
    const from = item.made?.tools.every((tool) => got(tool) > 0) ? item.made.from : null;
    const more = from ? from.reduce((n, need) => Math.min(n, Math.floor(got(need.item) / need.count)), item.count) : 0;
    const most = got(item.id) + more;
    if (most > 0) out.push({ item: item, most, from: more > 0 ? from : null });
  }
  return out;
}

/** True if this many of an item are left, ready or to be made. */
export function enoughOf(available: Available, count: number, left: ReadonlyMap<string, number>): boolean {
  const made = count - Math.max(0, left.get(available.item.id) ?? 0);
  if (made <= 0) return true;
  return (
    available.from !== null &&
    made <= available.item.count &&
    available.from.every((need) => (left.get(need.item) ?? 0) >= need.count * made)
  );
}

/**
 * Takes a number of one item out of the remaining stock: ready ones first, then the materials for the rest. Null if
 * there are not enough.
 */
export function portionOf(
  available: Available,
  count: number,
  left: ReadonlyMap<string, number>,
): { takes: readonly { id: string; count: number }[]; made: number } | null {
  if (!enoughOf(available, count, left)) return null;
  const ready = Math.min(count, Math.max(0, left.get(available.item.id) ?? 0));
  const made = count - ready;
  if (made === 0) return { takes: [{ id: available.item.id, count }], made };
  const parts = available.from!.map((need) => ({ id: need.item, count: need.count * made }));
  return { takes: ready > 0 ? [{ id: available.item.id, count: ready }, ...parts] : parts, made };
}
