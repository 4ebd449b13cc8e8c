import { and, eq, gt, isNull, notExists } from "drizzle-orm";
import { invite } from "../cards/invite.ts";
import { makingFor } from "../cards/making.ts";
import { giveCards, inForce, putInForce } from "../cards/versions.ts";
import { knownOf } from "../children/known.ts";
import { compute } from "../compute/compute.ts";
import { schema, withTenant } from "../db/client.ts";
import { homesOf } from "../homes/homes-of.ts";
import { schoolItemsOf } from "../kit/items.ts";
import { linksFor } from "../links/links.ts";

const { assignment, card, cardVersion, child, play, revision } = schema;

/**
 * Compiles one child's open cards again for what is known of the homes now. A card that nobody has begun gets another
 * version; one that was begun stays. The child also gets what is out for the whole class and did not reach them yet.
 */
export async function cardsOf(schoolId: string, childId: string): Promise<void> {
  const now = new Date();
  const out = and(gt(assignment.closesAt, now), isNull(assignment.withdrawnAt));
  const asked = await withTenant(schoolId, async (tx) => {
    const [me] = await tx.select().from(child).where(eq(child.id, childId));
    if (!me) return null;
    const open = await tx
      .select({
        id: card.id,
        hash: card.hash,
        designed: revision.document,
        levels: assignment.levels,
      })
      .from(card)
      .innerJoin(cardVersion, inForce)
      .innerJoin(assignment, eq(assignment.id, card.assignmentId))
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .where(
        and(
          eq(card.childId, childId),
          out,
          notExists(tx.select({ id: play.id }).from(play).where(eq(play.cardId, card.id))),
        ),
      );
    const missing = await tx
      .select({ id: assignment.id, designed: revision.document, levels: assignment.levels })
      .from(assignment)
      .innerJoin(revision, eq(revision.id, assignment.revisionId))
      .where(
        and(
          eq(assignment.classId, me.classId),
          eq(assignment.wholeClass, true),
          out,
          notExists(
            tx
              .select({ id: card.id })
              .from(card)
              .where(and(eq(card.assignmentId, assignment.id), eq(card.childId, childId))),
          ),
        ),
      );
    const homes = (await homesOf(tx, [childId])).get(childId)!;
    const items = await schoolItemsOf(tx);
    const known = (await knownOf(tx, [me])).get(childId);
    const anew = open.filter((c) => c.designed !== null);
    return {
      me,
      anew,
      missing,
      makings: [...anew, ...missing].map((c) =>
        makingFor(c.designed!, me, { homes, items, known, level: c.levels?.[childId] }),
      ),
    };
  });
  if (!asked || asked.makings.length === 0) return;
  const { me, anew, missing, makings } = asked;
  const compiled = await compute("cards", makings);
  await withTenant(schoolId, async (tx) => {
    for (const [i, c] of anew.entries()) {
      // A card that was begun in the meantime stays as it was.
      const [still] = await tx
        .select({ id: card.id })
        .from(card)
        .where(
          and(eq(card.id, c.id), notExists(tx.select({ id: play.id }).from(play).where(eq(play.cardId, card.id)))),
        );
      if (still) await putInForce(tx, schoolId, c.id, compiled[i]!);
    }
    await linksFor(tx, schoolId, [me]);
    for (const [i, a] of missing.entries()) {
      const got = await giveCards(tx, schoolId, a.id, [{ childId, compiled: compiled[anew.length + i]! }]);
      if (got.length > 0) await invite(tx, schoolId, { assignmentId: a.id, activity: a.designed, children: [me] });
    }
  });
}
