import { and, asc, eq, inArray } from "drizzle-orm";
import type { HomeFacts } from "#core/compile/for-home.ts";
import { NOTHING_SAID } from "#core/records/home.ts";
import { schema, type Tx } from "../db/client.ts";

const { childHome, home } = schema;
export type HomeRecord = typeof home.$inferSelect;

/** A home's row in the shape that the core needs. */
export const factsOf = (givenHome: HomeRecord): HomeFacts => ({
  id: givenHome.id,
  label: givenHome.label,
  kit: givenHome.kit,
  space: givenHome.space,
  players: givenHome.players,
  quiet: givenHome.quiet,
  noBallsIndoors: givenHome.noBallsIndoors,
});
/** For a child whose home is unknown. */
export const UNKNOWN_HOME: HomeFacts = { ...NOTHING_SAID, id: "none", label: "" };

/** The homes of each child, ordered by their labels. */
export async function homesOf(tx: Tx, childIds: readonly string[]): Promise<Map<string, HomeRecord[]>> {
  const out = new Map<string, HomeRecord[]>(childIds.map((id) => [id, []]));
  if (childIds.length === 0) return out;
  const rows = await tx
    .select({ childId: childHome.childId, home })
    .from(childHome)
    .innerJoin(home, eq(home.id, childHome.homeId))
    .where(inArray(childHome.childId, [...childIds]))
    .orderBy(asc(home.label), asc(home.id));
  for (const row of rows) out.get(row.childId)!.push(row.home);
  return out;
}

/** The children who live in a home. */
export async function childrenOf(tx: Tx, homeId: string): Promise<string[]> {
  const rows = await tx.select({ id: childHome.childId }).from(childHome).where(eq(childHome.homeId, homeId));
  return rows.map((row) => row.id);
}

/** Removes a child from a home. A home where nobody lives is deleted. */
export async function leave(tx: Tx, childId: string, homeId: string): Promise<void> {
  await tx.delete(childHome).where(and(eq(childHome.childId, childId), eq(childHome.homeId, homeId)));
  if ((await childrenOf(tx, homeId)).length === 0) await tx.delete(home).where(eq(home.id, homeId));
}
