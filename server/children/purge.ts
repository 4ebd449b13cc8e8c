import { eq, inArray, sql } from "drizzle-orm";
import { schema, type Tx, withTenant } from "../db/client.ts";
import { childrenOf, homesOf, leave } from "../homes/homes-of.ts";

const { assignment, child, job, surveyAnswer } = schema;

/** The database itself hides deleted children. A transaction that restores or purges one calls this to see them. */
export const showErased = (tx: Tx) => tx.execute(sql`select set_config('yard.erased', 'shown', true)`);

const plain = (name: string) => name.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");

/**
 * Survey answers about a child: those matched to a home where nobody else lives, and those of the class under the
 * child's name.
 */
export async function answersAbout(
  tx: Tx,
  k: { name: string; classId: string },
  own: readonly string[],
): Promise<string[]> {
  const rows = await tx
    .select({ id: surveyAnswer.id, name: surveyAnswer.name, homeId: surveyAnswer.homeId })
    .from(surveyAnswer)
    .where(eq(surveyAnswer.classId, k.classId));
  const placed =
    own.length === 0
      ? []
      : await tx
          .select({ id: surveyAnswer.id })
          .from(surveyAnswer)
          .where(inArray(surveyAnswer.homeId, [...own]));
  const named = rows.filter((row) => plain(row.name) === plain(k.name)).map((row) => row.id);
  return [...new Set([...placed.map((r) => r.id), ...named])];
}

/**
 * The homes of a child: those where nobody else lives, and those shared with others. Deleted children count as living
 * there.
 */
export async function homesAround(tx: Tx, childId: string) {
  const homes = (await homesOf(tx, [childId])).get(childId)!;
  const alone: typeof homes = [];
  const shared: typeof homes = [];
  for (const home of homes) ((await childrenOf(tx, home.id)).some((id) => id !== childId) ? shared : alone).push(home);
  return { alone, shared };
}

/**
 * Purges a deleted child after the days of grace: every row about them in every table. Does nothing if the child was
 * restored.
 */
export async function purgeChild(schoolId: string, childId: string, now = new Date()): Promise<void> {
  await withTenant(schoolId, async (tx) => {
    await showErased(tx);
    const [me] = await tx.select().from(child).where(eq(child.id, childId)).for("update");
    if (!me?.eraseAt || me.eraseAt > now) return;
    const { alone } = await homesAround(tx, childId);
    const answers = await answersAbout(
      tx,
      me,
      alone.map((home) => home.id),
    );
    if (answers.length > 0) await tx.delete(surveyAnswer).where(inArray(surveyAnswer.id, answers));
    for (const home of alone) await leave(tx, childId, home.id);
    // An assignment stores the levels of its children.
    await tx
      .update(assignment)
      .set({ levels: sql`${assignment.levels} - ${childId}` })
      .where(sql`${assignment.levels} ? ${childId}`);
    await tx.delete(job).where(eq(job.about, childId));
    // Cards, goes, events, results, marks, evidence, links and messages are deleted with the child.
    await tx.delete(child).where(eq(child.id, childId));
  });
}
