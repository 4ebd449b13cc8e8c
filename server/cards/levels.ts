import type { Activity } from "#core/formats/activity.ts";
import { levelFor } from "#core/levels/levels.ts";
import type { Known } from "../children/known.ts";
import type { Adjust } from "../db/schema.ts";
import { whoOf } from "./making.ts";

/** The level that suits each child, from 0, by child; children alike are looked at once. */
export function levelsFor(
  a: Activity,
  children: readonly { id: string; age: number; adjust: Adjust | null }[],
  known: ReadonlyMap<string, Known>,
): Record<string, number> {
  const seen = new Map<string, number>();
  return Object.fromEntries(
    children.map((k) => {
      const who = whoOf(k, known.get(k.id), a.aim.action);
      const supports = k.adjust?.supports ?? [];
      const key = JSON.stringify([who, supports]);
      const level = seen.get(key) ?? levelFor(a, who, supports)?.level ?? 0;
      seen.set(key, level);
      return [k.id, level];
    }),
  );
}
