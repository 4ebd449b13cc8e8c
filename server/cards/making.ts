import { itemsForCard, type Making, type SchoolItems } from "#core/compile/card.ts";
import type { Activity } from "#core/formats/activity.ts";
import { adjusted } from "#core/formats/change.ts";
import type { Known } from "../children/known.ts";
import type { schema } from "../db/client.ts";
import type { Adjust } from "../db/schema.ts";
import { factsOf, UNKNOWN_HOME } from "../homes/homes-of.ts";

const rounded = (x: number, to: number) => Math.round(Math.round(x / to) * to * 100) / 100;

/** What one child's card is made from: the activity, the child, its own homes, and the part of the school's list that they need. */
export function makingFor(
  designed: Activity,
  k: { age: number; step: number | null; leftHanded: boolean; adjust: Adjust | null },
  homes: readonly (typeof schema.home.$inferSelect)[],
  items: SchoolItems,
  known?: Known,
): Making {
  const told = homes.length > 0 ? homes.map(factsOf) : [UNKNOWN_HOME];
  const { age, step, leftHanded, adjust } = k;
  const of = known?.get(designed.aim.action);
  // What a teacher said comes before what was worked out. Rounded: the device needs no more.
  const multiplier = adjust?.multiplier ?? (of?.spread && rounded(of.spread.middle, 0.05));
  const skill = of?.skill && rounded(of.skill.middle, 0.1);
  // What the device gets is the activity as this child has it, never why.
  return {
    designed: adjusted(designed, adjust?.settings ?? []),
    child: {
      age,
      step,
      leftHanded,
      ...(multiplier !== undefined && { multiplier }),
      ...(skill !== undefined && { skill }),
    },
    homes: told,
    items: itemsForCard(items, told),
  };
}
