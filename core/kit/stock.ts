import type { Item } from "./item.ts";

/** Things a home has, by item id: how many. */
export type Stock = Readonly<Record<string, number>>;
/** A home that did not say is taken to have what this share of homes has. */
export const DEFAULT_SHARE = 0.9;

/** What a home is taken to have until somebody says: things that nine of ten homes have, as many as those tend to. */
export function defaultStock(items: readonly Item[]): Stock {
  const out: Record<string, number> = {};
  for (const i of items) if (!i.made && (i.homes >= DEFAULT_SHARE || i.always)) out[i.id] = i.count;
  return out;
}

/** What needs no kit at all: on every child, or part of every home. */
export function noKitStock(items: readonly Item[]): Stock {
  const out: Record<string, number> = {};
  for (const i of items) if (i.always) out[i.id] = i.count;
  return out;
}

/** One thing that can be had from a stock, and what having one of it takes out of it. */
export interface Available {
  item: Item;
  /** How many there can be. */
  most: number;
  takes: readonly { id: string; count: number }[];
}

/** Everything a stock gives: what is there, what is always there, and what can be made from it, in the order of the list. */
export function availableFrom(items: readonly Item[], stock: Stock): Available[] {
  const have = (id: string) => stock[id] ?? 0;
  const always = new Map(items.filter((i) => i.always).map((i) => [i.id, i.count]));
  const got = (id: string) => Math.max(have(id), always.get(id) ?? 0);
  const out: Available[] = [];
  for (const i of items) {
    const there = got(i.id);
    if (there > 0) {
      out.push({ item: i, most: there, takes: [{ id: i.id, count: 1 }] });
      continue;
    }
    if (!i.made?.tools.every((t) => got(t) > 0)) continue;
    const most = i.made.from.reduce((n, f) => Math.min(n, Math.floor(got(f.item) / f.count)), i.count);
    if (most > 0) out.push({ item: i, most, takes: i.made.from.map((f) => ({ id: f.item, count: f.count })) });
  }
  return out;
}
