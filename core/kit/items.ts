import type { Item } from "../items/item.ts";
import { catalogue, catalogueItem } from "./catalogue.ts";

/** A school's list: the built-in one with the school's changes and additions, without the items it hides. */
export function listOf(own: readonly Item[], hidden: readonly string[] = []): Item[] {
  const changed = new Map(own.map((item) => [item.id, item]));
  const all = catalogue.map((item) => changed.get(item.id) ?? item);
  const added = own.filter((item) => !catalogueItem(item.id));
  return [...all, ...added].filter((item) => !hidden.includes(item.id));
}
