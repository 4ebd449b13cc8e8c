import { and, eq, gt, inArray, notExists } from "drizzle-orm";
import { compileFor, itemsForCard } from "#core/compile/card.ts";
import { schema, type Tx } from "../db/client.ts";
import { factsOf, homesOf, UNKNOWN_HOME } from "../homes/homes.ts";
import { schoolItemsOf } from "../kit/items.ts";

const { assignment, card, child, childHome, play } = schema;

/** Compiles the cards of a home's children anew after it said more of itself. */
export async function recompileForHome(tx: Tx, homeId: string, now = new Date()): Promise<number> {
  const rows = await tx.select({ id: childHome.childId }).from(childHome).where(eq(childHome.homeId, homeId));
  return recompileFor(
    tx,
    rows.map((r) => r.id),
    now,
  );
}

/** Compiles some children's cards anew: those still open that nobody has begun to play. A card that was begun stays as it was. */
export async function recompileFor(tx: Tx, ids: readonly string[], now = new Date()): Promise<number> {
  if (ids.length === 0) return 0;
  const open = await tx
    .select({ card })
    .from(card)
    .innerJoin(assignment, eq(assignment.id, card.assignmentId))
    .where(
      and(
        inArray(card.childId, [...ids]),
        gt(assignment.closesAt, now),
        notExists(tx.select({ id: play.id }).from(play).where(eq(play.cardId, card.id))),
      ),
    );
  if (open.length === 0) return 0;
  const children = await tx
    .select()
    .from(child)
    .where(inArray(child.id, [...ids]));
  const homes = await homesOf(tx, [...ids]);
  const items = await schoolItemsOf(tx);
  for (const { card: c } of open) {
    const { making } = c.compiled;
    if (!making) continue;
    const { age, step, leftHanded } = children.find((k) => k.id === c.childId)!;
    const rows = homes.get(c.childId)!;
    const told = rows.length > 0 ? rows.map(factsOf) : [UNKNOWN_HOME];
    const compiled = compileFor({
      designed: making.designed,
      child: { age, step, leftHanded },
      homes: told,
      items: itemsForCard(items, told),
    });
    await tx.update(card).set({ compiled }).where(eq(card.id, c.id));
  }
  return open.length;
}
