import type { Who } from "#core/forecast/for-activity.ts";
import type { Activity } from "#core/formats/activity.ts";
import { levelsOf } from "#core/levels/levels.ts";
import type { Known } from "../children/known.ts";
import { compute } from "../compute/compute.ts";
import type { Adjust } from "../db/schema.ts";
import { whoOf } from "./making.ts";

/** Rounded, which is near enough for choosing a level. It leaves fewer different people, and each takes time. */
const roughly = ({ multiplier, skill, ...who }: Who): Who => ({
  ...who,
  ...(multiplier !== undefined && { multiplier: Math.round(10 * multiplier) / 10 || 0.1 }),
  ...(skill !== undefined && { skill: Math.round(5 * skill) / 5 }),
});

/**
 * The level that suits each child, from 0, by child. Children with the same data are looked at once. If goes have to
 * be simulated, this happens in the compute thread.
 */
export async function levelsFor(
  activity: Activity,
  children: readonly { id: string; age: number; adjust: Adjust | null }[],
  known: ReadonlyMap<string, Known>,
): Promise<Record<string, number>> {
  const people = children.map((child) => ({
    who: whoOf(child, known.get(child.id), activity.aim.action),
    supports: child.adjust?.supports ?? [],
  }));
  const levels =
    activity.levels?.of === "end"
      ? await compute(
          "levels",
          activity,
          people.map((person) => ({ ...person, who: roughly(person.who) })),
        )
      : levelsOf(activity, people);
  return Object.fromEntries(children.map((child, i) => [child.id, levels[i]!]));
}
