import type { Making } from "#core/compile/card.ts";
import type { Activity } from "#core/formats/activity.ts";
import { type Known, knownOf } from "../children/known.ts";
import type { schema, Tx } from "../db/client.ts";
import { homesOf } from "../homes/homes-of.ts";
import { schoolItemsOf } from "../kit/items.ts";
import { levelsFor } from "./levels.ts";
import { makingFor } from "./making.ts";

/**
 * The data from which the cards of some children are compiled, in their order: each at the level chosen for the
 * child, or else the one that suits them.
 */
export async function makingsFor(
  tx: Tx,
  document: Activity,
  children: readonly (typeof schema.child.$inferSelect)[],
  chosen: Readonly<Record<string, number>> = {},
): Promise<{ makings: Making[]; levels: Record<string, number> | null; known: ReadonlyMap<string, Known> }> {
  const homes = await homesOf(
    tx,
    children.map((child) => child.id),
  );
  const items = await schoolItemsOf(tx);
  const known = await knownOf(tx, children);
  const levels = document.levels
    ? {
        ...(await levelsFor(document, children, known)),
        ...Object.fromEntries(Object.entries(chosen).filter(([id]) => children.some((child) => child.id === id))),
      }
    : null;
  const makings = children.map((child) =>
    makingFor(document, child, {
      homes: homes.get(child.id) ?? [],
      items,
      known: known.get(child.id),
      level: levels?.[child.id],
    }),
  );
  return { makings, levels, known };
}
