import { itemsForCard, type Making, type SchoolItems } from "#core/compile/card.ts";
import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { adjusted } from "#core/formats/change.ts";
import { levelFor, notesOn, onLevel, selfOn } from "#core/levels/levels.ts";
import { supportFor } from "#core/levels/support-for.ts";
import type { Known } from "../children/known.ts";
import type { schema } from "../db/client.ts";
import type { Adjust } from "../db/schema.ts";
import { factsOf, UNKNOWN_HOME } from "../homes/homes-of.ts";

/** A child as forecasts need it: what a teacher has set, or else what the results show. */
export function whoOf(k: { age: number; adjust: Adjust | null }, known: Known | undefined, action: string): Who {
  const of = known?.get(action);
  const multiplier = k.adjust?.multiplier ?? (of?.spread && rounded(of.spread.middle, 0.05));
  const skill = of?.skill && rounded(of.skill.middle, 0.1);
  return { age: k.age, ...(multiplier !== undefined && { multiplier }), ...(skill !== undefined && { skill }) };
}

const rounded = (x: number, to: number) => Math.round(Math.round(x / to) * to * 100) / 100;

/**
 * The data from which one child's card is compiled: the activity, the child, the child's own homes, and the part of
 * the school's list that they need.
 */
export function makingFor(
  designed: Activity,
  k: { age: number; step: number | null; leftHanded: boolean; adjust: Adjust | null },
  {
    homes,
    items,
    known,
    level,
  }: {
    homes: readonly (typeof schema.home.$inferSelect)[];
    items: SchoolItems;
    known?: Known | undefined;
    level?: number | undefined;
  },
): Making {
  const facts = homes.length > 0 ? homes.map(factsOf) : [UNKNOWN_HOME];
  const { age, step, leftHanded, adjust } = k;
  const who = whoOf(k, known, designed.aim.action);
  // Rounded, because the device needs no more.
  const { multiplier, skill } = who;
  // The device gets the activity at this child's level, but never the reason.
  const on = designed.levels ? (level ?? levelFor(designed, who, adjust?.supports)?.level ?? 0) : 0;
  const at = onLevel(designed, on);
  const own = selfOn(designed, on);
  const needs = supportFor(adjusted(at, adjust?.settings ?? []), adjust?.supports ?? [], who, own);
  const self = { ...own, ...needs.self };
  const may = [...notesOn(designed, on), ...needs.notes];
  return {
    designed: needs.activity,
    child: {
      age,
      step,
      leftHanded,
      ...(multiplier !== undefined && { multiplier }),
      ...(skill !== undefined && { skill }),
      ...(Object.keys(self).length > 0 && { self }),
      ...(designed.levels && {
        ladder: {
          up: designed.levels.up,
          down: designed.levels.down,
          ...(designed.levels.stop !== undefined && { stop: designed.levels.stop }),
        },
      }),
      ...(may.length > 0 && { may }),
    },
    homes: facts,
    items: itemsForCard(items, facts),
  };
}
