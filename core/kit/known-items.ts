import type { Item } from "../items/item.ts";

/**
 * Items that are loaded. The list of items (`catalogue.ts`) puts all of them in, and the registry of patterns loads it.
 * A family's device that works out a fair match puts in those that its activity needs.
 */
const known = new Map<string, Item>();

/** Makes items known to every document that mentions them. */
export function keepItems(items: readonly Item[]): void {
  for (const item of items) known.set(item.id, item);
}

/** A built-in item. Undefined if there is none with this id, or it is not loaded. */
export const knownItem = (id: string): Item | undefined => known.get(id);

/** An item that a document can mention: one of its own, or a built-in one. */
export const itemIn = (kit: { own: readonly Item[] }, id: string): Item | undefined =>
  kit.own.find((item) => item.id === id) ?? knownItem(id);
