import { createContext, useContext } from "react";
import type { SchoolItems } from "#core/compile/card.ts";
import type { OwnExercise } from "#core/exercises/own.ts";
import { type Activity, itemsIn } from "#core/formats/activity.ts";
import { catalogueItem } from "#core/kit/catalogue.ts";
import { listOf } from "#core/kit/items.ts";
import type { Item } from "#core/things/item.ts";
import { itemName, namesOf } from "#words/say.ts";

/** The school's list of things, for every part of the workbench. */
export interface School {
  items: SchoolItems;
  list: readonly Item[];
  /** Homes of the class that told of their things, and how many of them have each. */
  told: number;
  had: ReadonlyMap<string, number>;
  /** Exercises of the school's own. */
  exercises: readonly OwnExercise[];
}
/** `kits`: what each home of the class has; null: it did not say. */
export function schoolOf(
  items: SchoolItems,
  kits: readonly (Readonly<Record<string, number>> | null)[] = [],
  exercises: readonly OwnExercise[] = [],
): School {
  const told = kits.filter((kit) => kit !== null);
  const had = new Map<string, number>();
  for (const kit of told)
    for (const [id, value] of Object.entries(kit)) if (value > 0) had.set(id, (had.get(id) ?? 0) + 1);
  return { items, list: listOf(items.own, items.hidden), told: told.length, had, exercises };
}
export const SchoolContext = createContext<School>(schoolOf({ own: [], hidden: [] }));

/** The list, and how things are called in it. */
export function useSchool(): School & { name: (id: string) => string } {
  const school = useContext(SchoolContext);
  const names = namesOf(school.items.own);
  return { ...school, name: (id) => itemName(id, names) };
}

/** The activity with the school's own things that it speaks of along, and no others. */
export function withOwn(activity: Activity, list: readonly Item[]): Activity {
  const used = itemsIn(activity);
  const own = [...used].flatMap((id) => {
    const item = list.find((eachItem) => eachItem.id === id) ?? activity.kit.own.find((eachItem) => eachItem.id === id);
    return item && item !== catalogueItem(id) ? [item] : [];
  });
  return { ...activity, kit: { ...activity.kit, own } };
}
