import { createContext, useContext } from "react";
import type { SchoolItems } from "#core/compile/card.ts";
import type { OwnExercise } from "#core/exercises/own.ts";
import { type Activity, itemsIn } from "#core/formats/activity.ts";
import type { Item } from "#core/items/item.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { listOf } from "#core/kit/items.ts";
import { itemName, namesOf } from "#words/say.ts";

/** The school's list of items, for every part of the workbench. */
export interface School {
  items: SchoolItems;
  list: readonly Item[];
  /** How many homes of the class have listed their items, and how many of those have each one. */
  answered: number;
  had: ReadonlyMap<string, number>;
  /** The school's own exercises. */
  exercises: readonly OwnExercise[];
}
/** `kits`: the items of each home of the class. Null if the family did not say. */
export function schoolOf(
  items: SchoolItems,
  kits: readonly (Readonly<Record<string, number>> | null)[] = [],
  exercises: readonly OwnExercise[] = [],
): School {
  const known = kits.filter((kit) => kit !== null);
  const had = new Map<string, number>();
  for (const kit of known)
    for (const [id, value] of Object.entries(kit)) if (value > 0) had.set(id, (had.get(id) ?? 0) + 1);
  return { items, list: listOf(items.own, items.hidden), answered: known.length, had, exercises };
}
export const SchoolContext = createContext<School>(schoolOf({ own: [], hidden: [] }));

/** The school's list, and the names of its items. */
export function useSchool(): School & { name: (id: string) => string } {
  const school = useContext(SchoolContext);
  const names = namesOf(school.items.own);
  return { ...school, name: (id) => itemName(id, names) };
}

/** The activity together with those of the school's own items that it uses, and no others. */
export function withOwn(activity: Activity, list: readonly Item[]): Activity {
  const used = itemsIn(activity);
  const own = [...used].flatMap((id) => {
    const item = list.find((eachItem) => eachItem.id === id) ?? activity.kit.own.find((eachItem) => eachItem.id === id);
    return item && item !== catalogueItem(id) ? [item] : [];
  });
  return { ...activity, kit: { ...activity.kit, own } };
}
