import type { Item } from "../things/item.ts";
import { catalogue, catalogueItem } from "./catalogue.ts";

/** The things that a document can speak of: those of the list, and its own. */
export function thing(kit: { own: readonly Item[] }, id: string): Item | undefined {
  return kit.own.find((i) => i.id === id) ?? catalogueItem(id);
}

/** A school's list: that of the tool with the school's changes and additions, without what it hides. */
export function listOf(own: readonly Item[], hidden: readonly string[] = []): Item[] {
  const changed = new Map(own.map((i) => [i.id, i]));
  const all = catalogue.map((i) => changed.get(i.id) ?? i);
  const added = own.filter((i) => !catalogueItem(i.id));
  return [...all, ...added].filter((i) => !hidden.includes(i.id));
}
