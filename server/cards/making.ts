import { itemsForCard, type Making, type SchoolItems } from "#core/compile/card.ts";
import type { Activity } from "#core/formats/activity.ts";
import { adjusted } from "#core/formats/change.ts";
import type { schema } from "../db/client.ts";
import type { Adjust } from "../db/schema.ts";
import { factsOf, UNKNOWN_HOME } from "../homes/homes-of.ts";

/** What one child's card is made from: the activity, the child, its own homes, and the part of the school's list that they need. */
export function makingFor(
  designed: Activity,
  k: { age: number; step: number | null; leftHanded: boolean; adjust: Adjust | null },
  homes: readonly (typeof schema.home.$inferSelect)[],
  items: SchoolItems,
): Making {
  const told = homes.length > 0 ? homes.map(factsOf) : [UNKNOWN_HOME];
  const { age, step, leftHanded, adjust } = k;
  const multiplier = adjust?.multiplier;
  // What the device gets is the activity as this child has it, never why.
  return {
    designed: adjusted(designed, adjust?.settings ?? []),
    child: { age, step, leftHanded, ...(multiplier !== undefined && { multiplier }) },
    homes: told,
    items: itemsForCard(items, told),
  };
}
